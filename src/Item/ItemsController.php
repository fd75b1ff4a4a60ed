<?php

declare(strict_types=1);

namespace App\Item;

use App\Job\Job;
use App\Job\RendersJob;
use Rodrel\Core\Log\Entry;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** Loose ends: plugs, props, refused work, parts on the shelf, cores to return. */
final class ItemsController extends RendersJob
{
    #[Route('/jobs/{id:job}/items', name: 'job_items', methods: ['GET'])]
    public function __invoke(Job $job): Response
    {
        $loaded = ($this->readJob)($job);

        return $this->page('job/items.html.twig', $loaded, $loaded->state->stage->value, new ItemsPage(
            items: array_map(fn (Entry $entry): array => [
                'id' => $entry->id,
                'text' => $this->say->item($entry->payload),
                'due' => $entry->payload->due,
                'safety' => $entry->payload->safety,
                'at' => $entry->takenAt,
            ], $loaded->state->story->openItems()),
        ));
    }
}
