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
use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Job\Stage;
use Rodrel\Core\Log\Kind;
use Rodrel\Core\Log\Payload\BledPayload;
use Rodrel\Core\Log\Payload\BleedPayload;
use Rodrel\Core\Log\Payload\BleedSetupPayload;
use Rodrel\Core\Vocabulary\GroupAt;
use Rodrel\Core\Vocabulary\Place;
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
        $changed = $loaded->state->changed();
        $opened = BleedPlan::opened($this->catalogue->repairs, $changed);
        if ([] === $opened) {
            return $this->page('bleed/waiting.html.twig', $loaded, 'bleed', new BleedWaitingPage(
                nothing: [] !== $changed,
            ));
        }
        $all = [] !== array_filter($opened, static fn (Place $place): bool => $place->isVehicle());
        $now = $loaded->state->story->now();
        $setups = $now->said(BleedSetupPayload::class);
        $setup = $setups[\count($setups) - 1] ?? null;
        $school = BleedOrder::tryFrom((string) $this->shop->practice()->bleedOrder) ?? BleedOrder::FarthestFirst;
        $book = $this->catalogue->bleeding;
        if (null === $setup && !$now->has(Kind::Bled)) {
            return $this->page('bleed/setup.html.twig', $loaded, 'bleed', new BleedSetupPage(
                methods: $book->methods,
                fluids: array_keys($book->fluids),
                school: $this->say->ui('bleed.order-'.$school->value),
                renew: $all,
            ));
        }
        $setup ??= new BleedSetupPayload('pedal', 'glycol', 'glycol', 'opened');
        $method = $book->methods[$setup->method] ?? throw $this->createNotFoundException();
        $plan = BleedPlan::of($loaded->layout, $opened, $school, $setup->own);
        $sums = BleedSums::of($loaded->layout, $book, $plan->order, $method, $setup->purpose);
        $log = $this->log($loaded, $method);
        $order = $this->order($sums, $log, $plan->done($loaded->layout, $log));
        $bled = $now->entriesOf(BledPayload::class);
        $open = array_values(array_filter($order, static fn (array $wheel): bool => true !== $wheel['done']));

        return $this->page('bleed/bleed.html.twig', $loaded, 'bleed', new BleedPage(
            order: $order,
            school: $this->say->ui([] === $setup->own ? 'bleed.order-'.$school->value : 'bleed.order-own'),
            method: $method,
            fluid: $setup->fluid,
            settle: (int) ($book->fluids[$setup->fluid]['settle_min'] ?? 0),
            now: $open[0] ?? null,
            clear: (int) $method->clear,
            total: (int) round($sums->totalMl),
            minutes: (int) ceil($sums->minutes),
            finished: $now->has(Kind::Bled),
            reopen: Stage::Done === $loaded->state->stage ? null : ($bled[\count($bled) - 1] ?? null)?->id,
            asks: array_map(
                fn (string $key): string => $this->say->ui('bleed.ask-'.$key),
                BleedPlan::asks($loaded->layout, array_map(static fn (GroupAt $one): string => $one->id, $changed)),
            ),
        ));
    }

    /**
     * @param list<array<string, mixed>> $log
     * @param array<string, bool> $done
     *
     * @return list<array<string, mixed>>
     */
    private function order(BleedSums $sums, array $log, array $done): array
    {
        $order = [];
        foreach ($sums->wheels as $wheel) {
            $key = BleedPlan::key($wheel['corner'], $wheel['bleeder']);
            $lines = array_values(array_filter($log, static fn (array $line): bool => $line['key'] === $key));
            $bleeder = '' === $wheel['bleeder'] ? '' : ', '.$this->say->ui('bleed.bleeder-'.$wheel['bleeder']);
            $order[] = [
                'id' => $key,
                'corner' => $wheel['corner'],
                'bleeder' => $wheel['bleeder'],
                'name' => $this->say->place($wheel['corner']).$bleeder,
                'ml' => (int) round($wheel['ml']),
                'count' => $wheel['count'],
                'topUps' => $wheel['top_up_at'],
                'done' => $done[$key],
                'strokes' => array_sum(array_column($lines, 'strokes')),
                'lines' => $lines,
            ];
        }

        return $order;
    }

    /**
     * @return list<array{key: string, corner: string, bleeder: string, strokes: int, unit: string, bubbles: string,
     *                    clear: float, needs: float, colour: string}>
     */
    private function log(LoadedJob $loaded, BleedMethod $method): array
    {
        return array_map(static fn (BleedPayload $bleed): array => [
            'key' => BleedPlan::key($bleed->corner->value, $bleed->bleeder),
            'corner' => $bleed->corner->value,
            'bleeder' => $bleed->bleeder,
            'strokes' => $bleed->count,
            'unit' => $bleed->unit,
            'bubbles' => $bleed->bubbles,
            'clear' => (float) $bleed->clear,
            'needs' => $method->clear,
            'colour' => $bleed->colour,
        ], $loaded->state->story->now()->said(BleedPayload::class));
    }
}
