<?php

declare(strict_types=1);

namespace App\Bleed;

use App\Job\Job;
use App\Job\LoadedJob;
use App\Job\RendersJob;
use Rodrel\Core\Bleeding\BleedMethod;
use Rodrel\Core\Bleeding\BleedPlan;
use Rodrel\Core\Bleeding\BleedSums;
use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Job\Stage;
use Rodrel\Core\Log\Kind;
use Rodrel\Core\Log\Payload\BledPayload;
use Rodrel\Core\Log\Payload\BleedPayload;
use Rodrel\Core\Repair\SheetStep;
use Rodrel\Core\Vocabulary\Corner;
use Rodrel\Core\Vocabulary\GroupAt;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** The bleed run: order, strokes and bubbles per wheel, and when it may stop. */
final class BleedController extends RendersJob
{
    public function __construct(private readonly Catalogue $catalogue, private readonly BleedRun $run)
    {
    }

    #[Route('/jobs/{id:job}/bleed', name: 'job_bleed', methods: ['GET'])]
    public function __invoke(Job $job, Request $request): Response
    {
        $loaded = ($this->readJob)($job);
        $changed = $loaded->state->changed();
        $plan = $this->run->plan($loaded);
        if (null === $plan) {
            return $this->page('bleed/waiting.html.twig', $loaded, 'bleed', new BleedWaitingPage(
                nothing: [] !== $changed,
            ));
        }
        $repairs = array_map(static fn (GroupAt $one): string => $one->id, $changed);
        $now = $loaded->state->story->now();
        $setup = $this->run->setup($loaded);
        $school = $this->run->school();
        $book = $this->catalogue->bleeding;
        if (null === $setup && !$now->has(Kind::Bled)) {
            return $this->page('bleed/setup.html.twig', $loaded, 'bleed', new BleedSetupPage(
                methods: $this->methods($loaded),
                fluids: array_keys($book->fluids),
                school: $this->say->ui('bleed.order-'.$school->value),
                renew: 'renew' === BleedPlan::purpose(...$repairs),
                pads: [] !== array_filter(
                    $loaded->layout->reach()->isHydraulic() ? Corner::cases() : [],
                    static fn (Corner $corner): bool => $loaded->layout->brake($corner)->disc,
                ),
            ));
        }
        $setup ??= BleedRun::usual();
        $method = $book->methods[$setup->method] ?? throw $this->createNotFoundException();
        $own = $this->ownMethods($loaded);
        $log = $this->run->log($loaded);
        $done = $plan->done($log);
        $next = (string) array_search(false, $done, true);
        $asked = $this->methods($loaded)[$request->query->getString('method')] ?? null;
        $own = null === $asked || '' === $next ? $own : [...$own, $next => $asked];
        $sums = BleedSums::of($loaded->layout, $book, $plan->points, $method, $setup->purpose, $own, $repairs);
        $order = $this->order($plan, $sums, $log, $done);
        $bled = $now->entriesOf(BledPayload::class);
        $open = array_values(array_filter($order, static fn (array $wheel): bool => true !== $wheel['done']));
        $here = $own[$next] ?? $method;

        return $this->page('bleed/bleed.html.twig', $loaded, 'bleed', new BleedPage(
            order: $order,
            school: $this->say->ui([] === $setup->own ? 'bleed.order-'.$school->value : 'bleed.order-own'),
            method: $here,
            usual: $method->id,
            methods: $this->methods($loaded),
            fluid: $setup->fluid,
            settle: (int) ($book->fluids[$setup->fluid]['settle_min'] ?? 0),
            now: $open[0] ?? null,
            last: 1 === \count($open),
            clear: (int) $here->clear,
            pads: $setup->pads,
            total: (int) round($sums->totalMl),
            minutes: (int) ceil($sums->minutes),
            finished: $now->has(Kind::Bled),
            reopen: Stage::Done === $loaded->state->stage ? null : ($bled[\count($bled) - 1] ?? null)?->id,
            asks: [...array_map(
                fn (string $key): string => $this->say->ui('bleed.ask-'.$key),
                BleedPlan::asks($loaded->layout, $repairs),
            ), ...$this->withIt($loaded)],
        ));
    }

    /** @return list<string> steps of the repair sheet that are made with the run */
    private function withIt(LoadedJob $loaded): array
    {
        $steps = array_filter(
            $loaded->state->sheet()->steps ?? [],
            static fn (SheetStep $one): bool => $one->step->withRun,
        );

        return array_values(array_map(
            fn (SheetStep $one): string => $this->say->text('step.'.$one->step->id),
            $steps,
        ));
    }

    /** @return array<string, BleedMethod> that this vehicle can be bled by */
    private function methods(LoadedJob $loaded): array
    {
        return array_filter(
            $this->catalogue->bleeding->methods,
            static fn (BleedMethod $method): bool => $method->isFor($loaded->layout),
        );
    }

    /** @return array<string, BleedMethod> by key of a bleeder where the last line says another one than the run */
    private function ownMethods(LoadedJob $loaded): array
    {
        $own = [];
        foreach ($loaded->state->story->now()->said(BleedPayload::class) as $bled) {
            $method = $this->catalogue->bleeding->methods[$bled->how->method] ?? null;
            if (null !== $method) {
                $own[$bled->at->key()] = $method;
            }
        }

        return $own;
    }

    /**
     * @param list<array<string, mixed>> $log
     * @param array<string, bool> $done by key of a bleeder
     *
     * @return list<array<string, mixed>>
     */
    private function order(BleedPlan $plan, BleedSums $sums, array $log, array $done): array
    {
        $order = [];
        foreach ($plan->points as $n => $point) {
            $key = $point->key();
            $lines = array_values(array_filter($log, static fn (array $line): bool => $line['key'] === $key));
            $bleeder = '' === $point->bleeder ? '' : ', '.$this->say->ui('bleed.bleeder-'.$point->bleeder);
            $place = null === $point->corner()
                ? $this->say->ui('bleed.place-'.$point->place)
                : $this->say->place($point->place);
            $order[] = [
                'id' => $key,
                'corner' => $point->place,
                'bleeder' => $point->bleeder,
                'name' => $place.$bleeder,
                'ml' => (int) round($sums->points[$n]['ml']),
                'count' => $sums->points[$n]['count'],
                'topUps' => $sums->points[$n]['top_up_at'],
                'done' => $done[$key],
                'strokes' => array_sum(array_column($lines, 'strokes')),
                'lines' => $lines,
            ];
        }

        return $order;
    }
}
