<?php

declare(strict_types=1);

namespace App\Bench;

use App\Account\UserRepository;
use App\Job\CameBack;
use App\Job\Job;
use App\Job\LoadedJob;
use App\Job\RendersJob;
use App\Prediction\Predictions;
use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Isolation\CitedReading;
use Rodrel\Core\Isolation\NeedsRepair;
use Rodrel\Core\Isolation\Proposal;
use Rodrel\Core\Isolation\Stop;
use Rodrel\Core\Isolation\Walk;
use Rodrel\Core\Job\JobState;
use Rodrel\Core\Vocabulary\ApartAt;
use Rodrel\Core\Vocabulary\Corner;
use Rodrel\Core\Vocabulary\Place;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** The bench: drawing, next check with its fork, trail, suspects. */
final class BenchController extends RendersJob
{
    public function __construct(
        private readonly Drawing $drawing,
        private readonly ProposalView $proposals,
        private readonly SuspectView $suspects,
        private readonly TrailView $trail,
        private readonly Predictions $predictions,
        private readonly UserRepository $users,
        private readonly Catalogue $catalogue,
    ) {
    }

    #[Route('/jobs/{id:job}/bench', name: 'job_bench', methods: ['GET'])]
    public function __invoke(Job $job, Request $request, CameBack $cameBack, GateView $gates): Response
    {
        $loaded = ($this->readJob)($job);
        $state = $loaded->state;
        $judgement = $loaded->judgement();
        $advice = $judgement?->advice;
        $proposal = fn (Proposal $one): array => $this->proposals->of($state, $one);
        $again = fn (CitedReading $one): array => $this->again($one);

        return $this->page('bench/bench.html.twig', $loaded, 'bench', new BenchPage(
            next: null === $advice?->next ? null : $proposal($advice->next),
            gates: null === $advice?->next || [] === $advice->next->gates || null === $advice->next->check->onlyRow()
                ? []
                : $gates->before($loaded, $advice->next->at),
            reason: null === $advice ? null : $this->say->ui('bench.reason.'.$advice->reason),
            repair: null === $advice?->repair ? null : (string) $advice->repair,
            again: array_map($again, $advice->again ?? []),
            others: array_map($proposal, array_values(array_filter(
                $advice->others ?? [],
                static fn (Proposal $one): bool => true !== $loaded->walk()?->has($one->at),
            ))),
            alongside: array_map(
                fn (Proposal $one): array => [
                    'id' => (string) $one->at,
                    'name' => $this->say->check($one->at),
                    'minutes' => (int) ceil($one->check->demand->minutes),
                ],
                $advice->alongside ?? [],
            ),
            odd: array_map($this->odd(...), $advice->odd ?? []),
            pairs: null === $judgement ? [] : $this->suspects->pairs($judgement),
            condition: 'condition' === $advice?->reason,
            stays: 'stays' === $advice?->reason || $state->road()->seenUnsafe || $this->locked($state),
            apart: $this->apart($state),
            drawing: $this->drawing->of($loaded),
            suspects: null === $judgement ? [] : $this->suspects->of($judgement),
            second: $judgement?->second,
            struck: null === $judgement ? [] : $this->suspects->struckOut($judgement),
            recomputed: $this->recomputed($loaded),
            trail: $this->trail->of($loaded, $this->users->names()),
            learned: $request->query->getInt('learned') === $loaded->head() ? $this->suspects->learned($loaded) : null,
            computing: null === $judgement ? $this->predictions->howFar($loaded->layout) : null,
            early: null === $judgement ? $this->early($loaded) : [],
            road: $state->road(),
            roadCheck: $this->roadCheck($loaded),
            lift: $state->situation->car->lift->value,
            walk: null === $loaded->walk() ? null : $this->walk($loaded->walk()),
            trace: ($state->situation->held($this->catalogue->checks)[0] ?? Corner::LeftFront)->value,
            common: [
                ...$cameBack->of($loaded),
                ...null === $judgement ? [] : \array_slice($this->suspects->commonCauses($judgement), 0, 2),
            ],
            needing: array_map(
                fn (NeedsRepair $one): array => [
                    'name' => $this->say->group($one->group),
                    'seen' => $this->say->check($one->check).': '
                        .$this->say->word($one->check, $one->row, $one->word),
                ],
                $judgement->needing ?? [],
            ),
            failed: null === $state->repaired ? null : $state->proof->failed(),
            asleep: \count($state->story->asleep),
        ));
    }

    /** A wheel that locked is not sent home because nobody could show it. */
    private function locked(JobState $state): bool
    {
        foreach ($state->story->intake()->complaints ?? [] as $complaint) {
            if ('locks' === $this->catalogue->complaints->all[$complaint]->what) {
                return true;
            }
        }

        return false;
    }

    /** @return array{name: string, minutes: int, stops: list<string>, decides: string} */
    private function walk(Walk $walk): array
    {
        return [
            'name' => $this->say->text('round.'.$walk->round),
            'minutes' => (int) ceil($walk->minutes),
            'stops' => array_map(fn (Stop $one): string => $this->say->check($one->at), $walk->stops),
            'decides' => $this->suspects->decides($walk->decides),
        ];
    }

    private function odd(CitedReading $spoken): string
    {
        return $this->say->check($spoken->check).': '.$this->say->outcome($spoken->check, $spoken->outcomes);
    }

    /** @return list<array{what: string, name: string, minutes: int}> */
    private function apart(JobState $state): array
    {
        $apart = [];
        foreach ($state->situation->car->apart as $what => $minutes) {
            $name = $this->say->apart(ApartAt::parse($what));
            $apart[] = ['what' => $what, 'name' => $name, 'minutes' => (int) ceil($minutes)];
        }

        return $apart;
    }

    /** @return array{name: string, asked: bool, check: string} a reading to take again */
    private function again(CitedReading $spoken): array
    {
        return [
            'name' => $this->say->check($spoken->check),
            'asked' => $this->catalogue->checks->of($spoken->check)->role->asked,
            'check' => (string) $spoken->check,
        ];
    }

    /** A reading was written under another catalogue than the one that judges it now. */
    private function recomputed(LoadedJob $loaded): bool
    {
        foreach ($loaded->log as $entry) {
            if (!$entry->isUnder($this->catalogue->hash)) {
                return true;
            }
        }

        return false;
    }

    /** The first check whose reading opens the road. */
    private function roadCheck(LoadedJob $loaded): string
    {
        foreach ($this->catalogue->gates->rules['road']->conditions as $condition) {
            foreach ($condition->reads() as $read) {
                $check = $this->catalogue->checks->of($read->check);
                if ([] !== $check->everywhere($loaded->layout)) {
                    return (string) $check->at(Place::vehicle());
                }
            }
        }

        return '';
    }

    /**
     * While the predictions are computed: what can be looked at anyway.
     *
     * @return list<array{id: string, name: string}>
     */
    private function early(LoadedJob $loaded): array
    {
        $early = [];
        foreach ($this->catalogue->checks as $check) {
            $at = $check->at(Place::vehicle());
            $here = $check->places->has($loaded->layout, $at->place);
            if ($check->role->early && $here && !$loaded->state->situation->made($at)) {
                $early[] = ['id' => (string) $at, 'name' => $this->say->check($at)];
            }
        }

        return $early;
    }
}
