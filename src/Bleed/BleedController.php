<?php

declare(strict_types=1);

namespace App\Bleed;

use App\Job\Job;
use App\Job\LoadedJob;
use App\Job\RendersJob;
use App\Shop\ShopSettings;
use Rodrel\Core\Bleeding\BleedOrder;
use Rodrel\Core\Bleeding\BleedPlan;
use Rodrel\Core\Catalogue;
use Rodrel\Core\Job\Kind;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** The bleed run: order, strokes and bubbles per wheel, and when it may stop. */
final class BleedController extends RendersJob
{
    public function __construct(private readonly Catalogue $catalogue, private readonly ShopSettings $shop)
    {
    }

    #[Route('/jobs/{id:job}/bleed', name: 'job_bleed', methods: ['GET'])]
    public function __invoke(Job $job): Response
    {
        $loaded = ($this->readJob)($job);
        $repaired = $loaded->state->repaired;
        $repair = null === $repaired ? null : $this->catalogue->repair($repaired);
        if (null === $repaired || null === $repair || 'none' === $repair->bleeds) {
            return $this->page('bleed/waiting.html.twig', $loaded, 'bleed', ['nothing' => null !== $repair]);
        }
        $plan = BleedPlan::of($loaded->layout, 'all' === $repair->bleeds ? 'vehicle' : explode('@', $repaired)[1], $school = BleedOrder::from($this->shop->school('bleed_order')));
        $log = $this->log($loaded);
        $done = $plan->done($log);
        $open = array_keys(array_filter($done, static fn (bool $yes): bool => !$yes));

        return $this->page('bleed/bleed.html.twig', $loaded, 'bleed', [
            'order' => array_map(fn ($corner): array => [
                'id' => $corner->value,
                'name' => $this->say->place($corner->value),
                'done' => $done[$corner->value],
                'strokes' => array_sum(array_map(static fn (array $line): int => $line['corner'] === $corner->value ? $line['strokes'] : 0, $log)),
                'lines' => array_values(array_filter($log, static fn (array $line): bool => $line['corner'] === $corner->value)),
            ], $plan->order),
            'school' => $this->say->ui('bleed.order-'.$school->value),
            'now' => $open[0] ?? null,
            'nowName' => isset($open[0]) ? $this->say->place($open[0]) : null,
            'clear' => BleedPlan::CLEAR_STROKES,
            'finished' => $loaded->state->story->now()->has(Kind::Bled),
        ]);
    }

    /** @return list<array{corner: string, strokes: int, bubbles: string, clear: int, colour: string}> */
    private function log(LoadedJob $loaded): array
    {
        return array_map(static function ($entry): array {
            $shape = $entry->shape();

            return ['corner' => $shape->text('corner'), 'strokes' => (int) $shape->number('strokes'), 'bubbles' => $shape->text('bubbles'), 'clear' => (int) $shape->number('clear'), 'colour' => $shape->text('colour', '')];
        }, $loaded->state->story->now()->all(Kind::Bleed));
    }
}
