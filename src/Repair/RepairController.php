<?php

declare(strict_types=1);

namespace App\Repair;

use App\Account\UserRepository;
use App\Job\Job;
use App\Job\LoadedJob;
use App\Job\RendersJob;
use App\Photo\Photos;
use App\Shop\ShopSettings;
use App\Text\Units;
use Rodrel\Core\Bleeding\BleedPlan;
use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Job\Stage;
use Rodrel\Core\Log\Entry;
use Rodrel\Core\Log\Payload\FindingPayload;
use Rodrel\Core\Log\Payload\PreparedPayload;
use Rodrel\Core\Log\Payload\RepairedPayload;
use Rodrel\Core\Log\Payload\StepPayload;
use Rodrel\Core\Log\Payload\SurprisePayload;
use Rodrel\Core\Log\Rule;
use Rodrel\Core\Quantity\Quantity;
use Rodrel\Core\Repair\Practice;
use Rodrel\Core\Repair\Sheet;
use Rodrel\Core\Repair\SheetStep;
use Rodrel\Core\Repair\Surprise;
use Rodrel\Core\Repair\WorkList;
use Rodrel\Core\Vehicle\Lift;
use Rodrel\Core\Vocabulary\GroupAt;
use Rodrel\Core\Vocabulary\Place;
use Symfony\Component\Clock\ClockInterface;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** The repair sheet: what lies ready, then the steps with their cautions, figures and second looks. */
final class RepairController extends RendersJob
{
    public function __construct(
        private readonly Catalogue $catalogue,
        private readonly ClockInterface $clock,
        private readonly UserRepository $users,
        private readonly Units $units,
        private readonly Photos $photos,
        private readonly ShopSettings $shop,
    ) {
    }

    #[Route('/jobs/{id:job}/repair', name: 'job_repair', methods: ['GET'])]
    public function __invoke(Job $job, Request $request): Response
    {
        $loaded = ($this->readJob)($job);
        $group = $loaded->state->repairGroup();
        if (null === $group) {
            $stale = null !== $loaded->state->story->last(FindingPayload::class);

            return $this->page('repair/waiting.html.twig', $loaded, 'repair', new RepairWaitingPage(
                stale: $stale,
            ));
        }
        $sheet = $loaded->state->sheet() ?? throw new \LogicException('There is a repair.');
        $finding = $loaded->state->story->finding();
        $repaired = $loaded->state->story->last(RepairedPayload::class);
        $id = $finding->id ?? ($repaired->payload->sheet ?? '');
        $prepared = $this->prepared($loaded, $sheet);
        $practice = $this->practice($sheet, $request->query->getString('way'));
        $own = array_filter($sheet->steps, static fn (SheetStep $one): bool => $practice->makes($one->step));
        $several = \count($sheet->groups) > 1;
        $bleeds = [] !== BleedPlan::opened($this->catalogue->repairs, $sheet->groups);
        $steps = array_values(array_map(
            fn (SheetStep $one): array => $this->step($loaded, $one, $id, $several, $bleeds),
            $own,
        ));
        $steps = $this->onlyFirst($this->onlyFirst($steps, 'opens'), 'afterwards');
        $next = $nextLabel = $nextAnchor = null;
        $complete = true;
        foreach ($steps as $step) {
            foreach ($step['places'] as $place) {
                if (null === $place['done'] && !$step['later']) {
                    $nextLabel ??= $step['label'];
                    $nextAnchor ??= $step['anchor'];
                    $next ??= $place['name'];
                    $complete = $complete && !$step['required'];
                }
            }
        }

        return $this->page('repair/repair.html.twig', $loaded, 'repair', new RepairPage(
            group: (string) $group,
            title: $this->say->work($group),
            sentence: null === $finding ? '' : $this->say->again($finding->payload->sentence),
            sheet: $id,
            prepare: $prepared,
            ready: [] === array_filter($prepared, static fn (array $item): bool => !$item['done']),
            steps: $steps,
            nextStep: $next,
            nextLabel: $nextLabel,
            nextAnchor: $nextAnchor,
            photos: $this->byStep($loaded),
            ways: $this->ways($sheet, $practice),
            finished: null === $finding,
            reopen: null === $finding && Stage::Done !== $loaded->state->stage ? $repaired?->id : null,
            complete: $complete,
            inspect: array_map(fn (string $one): string => $this->say->text('inspect.'.$one), $sheet->inspect),
            opens: $sheet->opens($this->catalogue->repairs),
            also: array_map(
                fn (GroupAt $one): array => ['group' => (string) $one, 'name' => $this->say->group($one)],
                \array_slice($sheet->groups, 1),
            ),
            down: null !== $finding
                && $sheet->takesWheelsOff()
                && Lift::WheelsOff !== $loaded->state->situation->car->lift,
        ));
    }

    /**
     * What is said once, at the first step that it is true of.
     *
     * @param list<array<string, mixed>> $steps
     *
     * @return list<array<string, mixed>>
     */
    private function onlyFirst(array $steps, string $flag): array
    {
        $said = false;
        foreach ($steps as $n => $step) {
            $steps[$n][$flag] = true === $step[$flag] && !$said;
            $said = $said || true === $step[$flag];
        }

        return $steps;
    }

    /** The shop's practice, with one thing done the other way where that was asked for. */
    private function practice(Sheet $sheet, string $asked): Practice
    {
        $practice = $this->shop->practice();
        foreach ($this->catalogue->schools->ways($sheet->ways()) as $of => $ways) {
            $practice = \in_array($asked, $ways, true) ? $practice->inThatWay($of, $asked) : $practice;
        }

        return $practice;
    }

    /** @return list<array{now: string, others: list<string>}> what the sheet leaves to the shop */
    private function ways(Sheet $sheet, Practice $practice): array
    {
        $ways = [];
        foreach ($this->catalogue->schools->ways($sheet->ways()) as $of => $all) {
            $now = $practice->ways()[$of] ?? $all[0];
            $ways[] = ['now' => $now, 'others' => array_values(array_diff($all, [$now]))];
        }

        return $ways;
    }

    /** @return array<string, list<array<string, mixed>>> */
    private function byStep(LoadedJob $loaded): array
    {
        $photos = [];
        foreach ($this->photos->of($loaded->job->id()) as $photo) {
            if (str_starts_with($photo['about'], 'step:')) {
                $photos[substr($photo['about'], 5)][] = $photo;
            }
        }

        return $photos;
    }

    /** @return list<array{id: string, label: string, count: int, done: bool}> */
    private function prepared(LoadedJob $loaded, Sheet $sheet): array
    {
        $have = array_map(
            static fn (Entry $entry): string => $entry->payload->item,
            $loaded->state->story->entriesOf(PreparedPayload::class),
        );

        return array_map(
            fn (array $item): array => [
                'id' => $item['id'],
                'label' => $this->say->text('prepare.'.$item['id']),
                'count' => $item['count'],
                'done' => \in_array($item['id'], $have, true),
            ],
            $sheet->prepare,
        );
    }

    /** @param Entry<StepPayload> $done */
    private function since(Entry $done): int
    {
        return $this->clock->now()->getTimestamp() - $done->takenAt->getTimestamp();
    }

    /** @return array<string, mixed> */
    private function step(LoadedJob $loaded, SheetStep $line, string $sheet, bool $several, bool $bleeds): array
    {
        $step = $line->step;
        $own = $loaded->state->story->torques()[$step->id] ?? null;
        $band = $step->figure?->band($own);
        $places = [];
        foreach ($line->names as $place => $names) {
            $done = $loaded->state->story->stepDone($sheet, ...$names);
            $figure = $done?->payload->figure;
            $places[] = [
                'name' => $names[0],
                'where' => $several && Place::VEHICLE !== $place ? $this->say->place((string) $place) : '',
                'done' => $done?->id,
                'figure' => $figure?->said(),
                'outside' => null !== $figure
                    && null !== $band
                    && ($figure->core < $band[0] || $figure->core > $band[1]),
                'confirmed' => null !== $done && $loaded->state->story->stepConfirmed($done),
                'wait' => null === $done ? 0 : (int) ceil(max(0, Rule::SECOND_LOOK_S - $this->since($done)) / 60),
                'how' => $done->payload->how ?? StepPayload::DONE,
                'note' => $done->payload->note ?? '',
                'by' => null === $done ? '' : $this->users->names()[$done->author] ?? '',
            ];
        }

        $written = $line->written();
        $met = [];
        foreach ($loaded->state->story->entriesOf(SurprisePayload::class) as $entry) {
            if ($entry->payload->sheet === $sheet && null !== $line->placeOf($entry->payload->step)) {
                $met[] = $this->met($loaded, $entry, (string) $line->placeOf($entry->payload->step));
            }
        }

        return [
            'id' => $step->id,
            'met' => $met,
            'surprises' => array_map(
                fn (Surprise $one): string => $this->say->text('surprise.'.$one->id.'.what'),
                $this->catalogue->repairs->surprisesAt($step->id),
            ),
            // by what is done alone, where that is one of its names
            'anchor' => \in_array($step->id, $written, true) ? $step->id : $written[0],
            'label' => $this->say->text('step.'.$step->id),
            'cautions' => array_map(fn (string $id): string => $this->say->text('caution.'.$id), $step->cautions),
            'typical' => null === $band
                    ? null
                    : [
                        $this->units->figure($band[0], $step->figure->measures),
                        $this->units->figure($band[1], $step->figure->measures),
                    ],
            'own' => null === $own || null === $step->figure ? null : $this->units->say($own, $step->figure->measures),
            'gap' => Quantity::Length === $step->figure?->measures,
            'unit' => null === $step->figure ? null : $this->units->of($step->figure->measures)->value,
            'count' => $line->count,
            'counts' => null === $line->count ? '' : $this->say->ui(
                'line-plug' === $step->uses.$step->returns ? 'repair.plug-count' : 'repair.new',
                ['n' => (string) $line->count],
            ),
            'hold' => $step->figure->holdPoint ?? false,
            'opens' => $step->opens,
            'required' => $step->required,
            'later' => $step->isAfterRun() && $bleeds,
            'afterwards' => $step->isAfterRun() && $bleeds,
            'mayDiffer' => $step->mayDiffer(),
            'done' => [] === array_filter($places, static fn (array $one): bool => null === $one['done']),
            'places' => $places,
        ];
    }

    /**
     * What was met on the way, what to do then, and what may have to go on the work list.
     *
     * @param Entry<SurprisePayload> $entry
     *
     * @return array<string, mixed>
     */
    private function met(LoadedJob $loaded, Entry $entry, string $place): array
    {
        $surprise = $this->catalogue->repairs->surprises[$entry->payload->surprise] ?? null;
        $line = null === $surprise || '' === $surprise->repair
            ? null
            : WorkList::near(
                $this->catalogue->faults->repairsIn($loaded->layout),
                $surprise->repair,
                Place::of($place),
                $loaded->layout,
            );
        $listed = $loaded->state->sheet()->groups ?? [];

        return [
            'entry' => $entry->id,
            'what' => null === $surprise
                ? $entry->payload->note
                : $this->say->text('surprise.'.$surprise->id.'.what'),
            'note' => null === $surprise ? '' : $entry->payload->note,
            'do' => null === $surprise ? '' : $this->say->text('surprise.'.$surprise->id.'.do'),
            'minutes' => (int) ($surprise->minutes ?? 0),
            'group' => (string) $line,
            'name' => null === $line ? '' : $this->say->work($line),
            'listed' => null === $line
                || [] !== array_filter($listed, static fn (GroupAt $one): bool => $one->is($line)),
        ];
    }
}
