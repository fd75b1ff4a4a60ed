<?php

declare(strict_types=1);

namespace App\Bleed;

use App\Job\Job;
use App\Job\LoadedJob;
use App\Job\RendersJob;
use App\Shop\ShopSettings;
use Rodrel\Core\Bleeding\BleedMethod;
use Rodrel\Core\Bleeding\BleedOrder;
use Rodrel\Core\Bleeding\BleedPlan;
use Rodrel\Core\Bleeding\BleedSums;
use Rodrel\Core\Catalogue;
use Rodrel\Core\Job\Entry;
use Rodrel\Core\Job\Kind;
use Rodrel\Core\Vehicle\Corner;
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
        $setup = $loaded->state->story->now()->all(Kind::BleedSetup);
        if ([] === $setup && !$loaded->state->story->now()->has(Kind::Bled)) {
            return $this->page('bleed/setup.html.twig', $loaded, 'bleed', ['methods' => $this->catalogue->bleeding->methods, 'fluids' => array_keys($this->catalogue->bleeding->fluids), 'school' => $this->say->ui('bleed.order-'.$this->shop->school('bleed_order')), 'renew' => 'all' === $repair->bleeds]);
        }
        $chosen = [] === $setup ? null : $setup[\count($setup) - 1]->shape();
        $method = $this->catalogue->bleeding->methods[$chosen?->text('method') ?? 'pedal'] ?? throw $this->createNotFoundException();
        $school = BleedOrder::from($this->shop->school('bleed_order'));
        $own = array_values(array_filter(array_map(Corner::tryFrom(...), $chosen?->texts('own') ?? [])));
        $plan = BleedPlan::of($loaded->layout, 'all' === $repair->bleeds ? 'vehicle' : explode('@', $repaired)[1], $school, $own);
        $sums = BleedSums::of($loaded->layout, $this->catalogue->bleeding, $plan->order, $method, $chosen?->text('purpose') ?? 'opened');
        $log = $this->log($loaded, $method);
        $done = $plan->done($loaded->layout, $log);
        $open = array_keys(array_filter($done, static fn (bool $yes): bool => !$yes));
        $now = $open[0] ?? null;
        $order = [];
        foreach ($sums->wheels as $wheel) {
            $key = BleedPlan::key($wheel['corner'], $wheel['bleeder']);
            $lines = array_values(array_filter($log, static fn (array $line): bool => BleedPlan::key($line['corner'], $line['bleeder']) === $key));
            $order[$key] = [
                'id' => $key,
                'corner' => $wheel['corner'],
                'bleeder' => $wheel['bleeder'],
                'name' => $this->say->place($wheel['corner']).('' === $wheel['bleeder'] ? '' : ', '.$this->say->ui('bleed.bleeder-'.$wheel['bleeder'])),
                'ml' => (int) round($wheel['ml']),
                'count' => $wheel['count'],
                'topUps' => $wheel['top_up_at'],
                'done' => $done[$key],
                'strokes' => array_sum(array_column($lines, 'strokes')),
                'lines' => $lines,
            ];
        }

        return $this->page('bleed/bleed.html.twig', $loaded, 'bleed', [
            'order' => array_values($order),
            'school' => $this->say->ui([] === $own ? 'bleed.order-'.$school->value : 'bleed.order-own'),
            'method' => $method,
            'fluid' => $chosen?->text('fluid') ?? 'glycol',
            'settle' => (int) ($this->catalogue->bleeding->fluids[$chosen?->text('fluid') ?? 'glycol']['settle_min'] ?? 0),
            'now' => null === $now ? null : $order[$now],
            'clear' => (int) $method->clear,
            'total' => (int) round($sums->totalMl),
            'minutes' => (int) ceil($sums->minutes),
            'finished' => $loaded->state->story->now()->has(Kind::Bled),
        ]);
    }

    /** @return list<array{corner: string, bleeder: string, strokes: int, unit: string, bubbles: string, clear: float, needs: float, colour: string}> */
    private function log(LoadedJob $loaded, BleedMethod $method): array
    {
        return array_map(static function (Entry $entry) use ($method): array {
            $shape = $entry->shape();

            return ['corner' => $shape->text('corner'), 'bleeder' => $shape->text('bleeder', ''), 'strokes' => (int) $shape->number('strokes'), 'unit' => $shape->text('unit', 'strokes'), 'bubbles' => $shape->text('bubbles'), 'clear' => $shape->number('clear'), 'needs' => $method->clear, 'colour' => $shape->text('colour', '')];
        }, $loaded->state->story->now()->all(Kind::Bleed));
    }
}
