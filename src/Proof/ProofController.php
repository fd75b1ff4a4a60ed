<?php

declare(strict_types=1);

namespace App\Proof;

use App\Account\UserRepository;
use App\Heat\HeatView;
use App\Job\Job;
use App\Job\LoadedJob;
use App\Job\RendersJob;
use App\Text\Bands;
use App\Text\Letters;
use App\Text\Units;
use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Job\OpenStep;
use Rodrel\Core\Log\Payload\RepairedPayload;
use Rodrel\Core\Log\Rule;
use Rodrel\Core\Proof\Criterion;
use Rodrel\Core\Proof\CriterionRule;
use Rodrel\Core\Proof\ProofRun;
use Rodrel\Core\Vocabulary\GroupAt;
use Rodrel\Core\Vocabulary\Place;
use Symfony\Component\Clock\ClockInterface;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** The proof run: gate by gate, each computed from readings of the epoch that the repair opened. */
final class ProofController extends RendersJob
{
    public function __construct(
        private readonly Catalogue $catalogue,
        private readonly ClockInterface $clock,
        private readonly Bands $bands,
        private readonly UserRepository $users,
        private readonly HeatView $heat,
        private readonly Units $units,
    ) {
    }

    #[Route('/jobs/{id:job}/proof', name: 'job_proof', methods: ['GET'])]
    public function __invoke(Job $job): Response
    {
        $loaded = ($this->readJob)($job);
        if (null === $loaded->state->repaired) {
            return $this->page('proof/waiting.html.twig', $loaded, 'proof');
        }
        $proof = $loaded->state->proof;

        return $this->page('proof/proof.html.twig', $loaded, 'proof', new ProofPage(
            criteria: array_map(
                fn (Criterion $criterion): array => $this->view($loaded, $criterion),
                $proof->criteria,
            ),
            nextId: $proof->next()?->id,
            nextCheck: null === $proof->next()?->check ? null : (string) $proof->next()->check,
            sheet: $this->sheet($proof),
            standing: $proof->standingPassed(),
            passed: $proof->passed(),
            mayHandOver: $loaded->state->mayHandOver(),
            road: array_map(
                fn (string $key): array => [
                    'key' => $key,
                    'said' => [$this->say->ui('gate.'.$key)],
                    'overridable' => false,
                    'gate' => 'road',
                    'answer' => null,
                ],
                $loaded->state->road()->unmet,
            ),
            failed: $proof->failed()?->id,
            night: $this->night($loaded),
            open: array_values(array_map($this->open(...), array_filter(
                $loaded->state->openSteps(),
                static fn (OpenStep $one): bool => OpenStep::MISSING !== $one->why || null === $one->step->figure,
            ))),
            wheels: $this->figures($loaded, true),
            undone: $this->figures($loaded, false),
            repairSheet: $loaded->state->story->last(RepairedPayload::class)->payload->sheet ?? '',
        ));
    }

    /** @return list<array<string, string>> figures that come with the bleed run or after it, and are not typed yet */
    private function figures(LoadedJob $loaded, bool $ofWheels): array
    {
        $figures = [];
        foreach ($loaded->state->openSteps() as $one) {
            $missing = OpenStep::MISSING === $one->why && null !== $one->step->figure;
            if ($missing && $ofWheels === $one->isWheel()) {
                $own = $loaded->state->story->torques()[$one->step->id] ?? null;
                $measures = $one->step->figure->measures;
                [$low, $high] = $one->step->figure->band($own);
                $figures[] = [
                    'name' => $one->name,
                    'what' => $this->say->text('step.'.$one->step->id),
                    'where' => Place::VEHICLE === $one->place ? '' : $this->say->place($one->place),
                    'low' => $this->units->figure($low, $measures),
                    'high' => $this->units->figure($high, $measures),
                    'unit' => $this->units->of($measures)->value,
                    'own' => null === $own ? '' : $this->units->say($own, $measures),
                ];
            }
        }

        return $figures;
    }

    /** From one sheet of the proof to the next; to the page of it where something failed or no sheet can answer. */
    #[Route('/jobs/{id:job}/proof-next', name: 'job_proof_next', methods: ['GET'])]
    public function next(Job $job): Response
    {
        $proof = ($this->readJob)($job)->state->proof;
        $check = $proof->next()?->check;
        $sheet = $this->sheet($proof);
        [$route, $of] = match (true) {
            null !== $proof->failed(), null === $check => ['job_proof', []],
            null !== $sheet => ['job_proof_round', ['round' => $sheet]],
            default => ['job_check', ['check' => (string) $check]],
        };

        return $this->redirectToRoute($route, ['id' => $job->id(), ...$of], Response::HTTP_SEE_OTHER);
    }

    /** The sheet on which the next criterion is answered with others; null where it stands alone. */
    private function sheet(ProofRun $proof): ?string
    {
        $round = $this->catalogue->rounds->proving($proof->next()?->check->id ?? '');
        $on = array_filter(
            $proof->criteria,
            static fn (Criterion $one): bool => !$one->isSettled()
                && \in_array($one->check?->id, $round->checks ?? [], true),
        );

        return \count($on) > 1 ? $round?->id : null;
    }

    /** @return array<string, mixed> a step that still keeps the vehicle from leaving, to be looked at here */
    private function open(OpenStep $one): array
    {
        $since = null === $one->done ? 0 : $this->clock->now()->getTimestamp() - $one->done->takenAt->getTimestamp();
        $place = Place::VEHICLE === $one->place ? '' : ', '.$this->say->place($one->place);

        return [
            'why' => $one->why,
            'what' => $this->say->text('step.'.$one->step->id).$place,
            'entry' => $one->done?->id,
            'figure' => $one->done?->payload->figure?->said() ?? '',
            'by' => null === $one->done ? '' : $this->users->names()[$one->done->author] ?? '',
            'wait' => (int) ceil(max(0, Rule::SECOND_LOOK_S - $since) / 60),
            'other' => OpenStep::OUTSIDE === $one->why,
        ];
    }

    /**
     * The day on which the pedal's height is measured again, where the repair opened the system and nobody noted it.
     */
    private function night(LoadedJob $loaded): ?string
    {
        $repaired = $loaded->state->repaired;
        if (null === $repaired || !$this->catalogue->repairs->opensSystem($repaired)) {
            return null;
        }
        foreach ($loaded->state->story->openItems() as $item) {
            if ($item->payload->text === $this->say->ui('proof.night-item')) {
                return null;
            }
        }

        return $this->clock->now()->modify('+1 day')->format('Y-m-d');
    }

    /** @return array<string, mixed> */
    private function view(LoadedJob $loaded, Criterion $criterion): array
    {
        $said = '';
        foreach ($loaded->state->situation->readings as $reading) {
            if (null !== $criterion->check && $reading->check->is($criterion->check)) {
                $said = $this->say->outcome($reading->check, $reading->outcomes);
            }
        }
        if (null === $criterion->check && [] !== $criterion->missing) {
            $said
                = \in_array($criterion->computed, [CriterionRule::OPEN_STEPS, CriterionRule::WHEELS_LOOSE], true)
                    ? implode(
                        ', ',
                        array_map(
                            fn (string $step): string => Letters::inner($this->say->text('step.'.$step)),
                            $criterion->missing,
                        ),
                    )
                    : $this->say->ui('proof.items', ['n' => (string) \count($criterion->missing)]);
        }

        return [
            'id' => $criterion->id,
            'name' => $this->say->ui('proof.'.$criterion->id.'.name'),
            'do' => $this->say->ui('proof.'.$criterion->id.'.do'),
            'status' => $criterion->status,
            'check' => null === $criterion->check ? null : (string) $criterion->check,
            'waivable' => $criterion->waivable,
            'standing' => $criterion->standing,
            'said' => trim($said.' '.('heat' === $criterion->id ? $this->beside($loaded) : '')),
            'for' => implode(', ', array_map($this->say->group(...), array_values(array_filter(
                $loaded->state->changed(),
                static fn (GroupAt $one): bool => \in_array($one->id, $criterion->after, true),
            )))),
            'rests' => $this->rests($loaded, $criterion),
            'reason' => $criterion->reason,
        ];
    }

    /** The same drive before the repair and after it, wheel by wheel; '' while there is one of them only. */
    private function beside(LoadedJob $loaded): string
    {
        $rounds = $this->heat->rounds($loaded);
        $last = $rounds[\count($rounds) - 1] ?? null;
        if (null === $last || !$last->told['after']) {
            return '';
        }

        return implode(', ', array_map(
            fn (array $wheel): string => $this->say->ui('proof.heat-beside', [
                'where' => Letters::up($wheel['name']),
                'before' => (string) $wheel['before'],
                'now' => (string) $wheel['over'],
            ]),
            $last->wheels,
        ));
    }

    /** The figures that what passes rests on; '' where it rests on the eye alone. */
    private function rests(LoadedJob $loaded, Criterion $criterion): string
    {
        if (null === $criterion->check) {
            return '';
        }
        $said = [];
        foreach ($this->catalogue->checks->of($criterion->check)->rows as $row) {
            $passing = $this->catalogue->proof->passing($criterion->id, $row->id);
            $said[] = $row->observer->isOverAir() && [] === $passing
                ? $this->bands->heat($criterion->check, $row)
                : $this->bands->passing($loaded->state->sound(), $criterion->check, $row, $passing);
        }

        return implode('; ', array_unique(array_filter($said)));
    }
}
