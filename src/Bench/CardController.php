<?php

declare(strict_types=1);

namespace App\Bench;

use App\Job\Job;
use App\Job\RendersJob;
use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Vocabulary\CheckAt;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** What to try where a complaint comes and goes, and a card on which the driver notes when it does. */
final class CardController extends RendersJob
{
    private const LOOKS = 5;

    public function __construct(private readonly Catalogue $catalogue)
    {
    }

    #[Route('/jobs/{id:job}/card', name: 'job_card', methods: ['GET'])]
    public function __invoke(Job $job): Response
    {
        $loaded = ($this->readJob)($job);
        $now = $loaded->state->situation;
        $troubles = $now->troubles($this->catalogue->checks);
        $own = $this->catalogue->routes->route($troubles, $now->complaint->pattern, $now->complaint->stood)->own;
        $looks = [];
        foreach (\array_slice($own, 0, self::LOOKS) as $check) {
            $at = $this->catalogue->checks->all[$check]->everywhere($loaded->layout)[0] ?? null;
            $looks = null === $at ? $looks : [...$looks, $at];
        }
        $cards = $this->catalogue->routes->cards($troubles);
        $text = fn (string $key): array => array_map(
            fn (string $card): string => $this->say->text("card.$card.$key"),
            $cards,
        );

        return $this->page('bench/card.html.twig', $loaded, 'bench', new CardPage(
            unit: $job->unit(),
            complaint: $this->say->complaint($loaded->state->story->intake()),
            try: $text('try'),
            looks: array_map(fn (CheckAt $at): string => $this->say->check($at), $looks),
            note: $text('note'),
        ));
    }
}
