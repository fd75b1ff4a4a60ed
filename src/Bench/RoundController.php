<?php

declare(strict_types=1);

namespace App\Bench;

use App\Job\Job;
use App\Job\LoadedJob;
use App\Job\RendersJob;
use App\Text\Units;
use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Check\Check;
use Rodrel\Core\Check\Observer\StillObserver;
use Rodrel\Core\Isolation\Stop;
use Rodrel\Core\Isolation\Walk;
use Rodrel\Core\Vocabulary\CheckAt;
use Rodrel\Core\Vocabulary\Place;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** A round walked on one sheet: the first look, or the one that the next check belongs to. */
final class RoundController extends RendersJob
{
    public function __construct(
        private readonly Catalogue $catalogue,
        private readonly Drawing $drawing,
        private readonly Units $units,
        private readonly SuspectView $suspects,
        private readonly GateView $gates,
    ) {
    }

    /** The round of the next check; where that is made by itself, the bench. */
    #[Route('/jobs/{id:job}/round', name: 'job_round', methods: ['GET'])]
    public function next(Job $job, Request $request): Response
    {
        $loaded = ($this->readJob)($job);
        $walk = $loaded->walk();
        $learned = $request->query->getInt('learned') === $loaded->head() ? $this->suspects->learned($loaded) : null;

        return null === $walk
            ? $this->redirectToRoute('job_bench', ['id' => $job->id()], Response::HTTP_SEE_OTHER)
            : $this->sheet($loaded, $walk->round, $walk->stops, $walk, learned: $learned);
    }

    /** Everything that is looked at first: open before anything is computed. */
    #[Route('/jobs/{id:job}/first-look', name: 'job_first_look', methods: ['GET'])]
    public function first(Job $job): Response
    {
        $loaded = ($this->readJob)($job);

        return $this->sheet($loaded, $this->catalogue->rounds->first, $this->firstLook($loaded));
    }

    /** What a proof still wants at one place, every row answered by name. */
    #[Route('/jobs/{id:job}/proof/{round}', name: 'job_proof_round', methods: ['GET'])]
    public function proof(Job $job, string $round): Response
    {
        $loaded = ($this->readJob)($job);
        $known = $this->catalogue->rounds->proof[$round] ?? throw $this->createNotFoundException();
        $rows = [];
        foreach ($loaded->state->proof->criteria as $criterion) {
            $id = $criterion->check->id ?? '';
            if (!$criterion->isSettled() && \in_array($id, $known->checks, true)) {
                $rows[$id] = [...$rows[$id] ?? [], ...$criterion->missing];
            }
        }
        $stops = array_map(
            static fn (string $id): Stop => new Stop(
                CheckAt::of($id, Place::vehicle()),
                array_values(array_unique($rows[$id])),
                [],
            ),
            array_values(array_intersect($known->checks, array_keys($rows))),
        );
        $back = $this->generateUrl('job_proof', ['id' => $job->id()]);

        return [] === $stops
            ? $this->redirect($back, Response::HTTP_SEE_OTHER)
            : $this->sheet($loaded, $round, $stops, proof: $back);
    }

    /**
     * @param list<Stop> $stops
     * @param string $proof path of the proof that it is a part of; '' where it is none
     * @param string|null $learned what the round before it changed
     */
    private function sheet(
        LoadedJob $loaded,
        string $round,
        array $stops,
        ?Walk $walk = null,
        string $proof = '',
        ?string $learned = null,
    ): Response {
        $ats = array_map(static fn (Stop $one): string => (string) $one->at, $stops);
        $shown = fn (Stop $stop): array => $this->stop($loaded, $stop, '' !== $proof);

        return $this->page('bench/round.html.twig', $loaded, '' === $proof ? 'bench' : 'proof', new RoundPage(
            round: $round,
            name: $this->say->text('round.'.$round),
            minutes: null === $walk ? null : (int) ceil($walk->minutes),
            stops: array_map($shown, $stops),
            folded: array_map($shown, $walk->folded ?? []),
            decides: $this->suspects->decides($walk->decides ?? []),
            drawing: $this->drawing->of($loaded),
            // what the walk itself shows first is no gate before it
            gates: array_values(array_filter(
                $this->gates->before($loaded, ...array_map(static fn (Stop $one): CheckAt => $one->at, $stops)),
                static fn (array $gate): bool => !\in_array($gate['answer'], $ats, true),
            )),
            back: '' === $proof
                ? $this->generateUrl(null === $walk ? 'job_first_look' : 'job_round', ['id' => $loaded->id()])
                : $this->generateUrl('job_proof_round', ['id' => $loaded->id(), 'round' => $round]),
            proof: $proof,
            learned: $learned,
        ));
    }

    /** @return array<string, mixed> */
    private function stop(LoadedJob $loaded, Stop $stop, bool $proves): array
    {
        $check = $this->catalogue->checks->of($stop->at);
        $name = $this->say->check($stop->at);
        $how = $this->say->text('check.'.$check->id.'.how');
        $manner = $check->manner;
        $caution = null === $manner->caution ? null : $this->say->text('caution.'.$manner->caution);

        return [
            'check' => (string) $stop->at,
            'name' => $name,
            'how' => $how,
            'caution' => $caution,
            // what could hurt is heard before what to do
            'aloud' => implode(' ', array_filter([rtrim($name, '.?').'.', $caution, $how])),
            'station' => $this->say->text('station.'.$check->station),
            'engine' => $manner->engine,
            'foot' => $manner->footN,
            'spoken' => array_map(fn (string $word): string => $this->say->text('say.'.$word), $manner->spoken),
            'made' => $loaded->state->situation->made($stop->at),
            // what the whole job is about is answered by itself, never with the rest
            'alone' => $proves && $check->firstRow()->observer instanceof StillObserver,
            'rows' => $this->rows($check, $stop, $proves),
        ];
    }

    /** @return list<Stop> what is looked at first for this complaint, in its order */
    private function firstLook(LoadedJob $loaded): array
    {
        $now = $loaded->state->situation;
        $checks = $this->catalogue->checks;
        $first = [];
        foreach ($checks as $check) {
            $turn = $check->demand->turn;
            $fits = $turn->fits($now->troubles($checks), $now->seen($checks));
            if (null === $turn->first || $check->isHeat() || !$fits || !$turn->makesSense($now->seen($checks))) {
                continue;
            }
            foreach ($check->everywhere($loaded->layout) as $at) {
                if ([] === $this->catalogue->gates->closedFor($check, $at->place, $now, $checks)) {
                    $first[] = [$turn->first, $this->firstStop($check, $at)];
                }
            }
        }
        usort($first, static fn (array $a, array $b): int => $a[0] <=> $b[0]);

        return array_column($first, 1);
    }

    private function firstStop(Check $check, CheckAt $at): Stop
    {
        $good = [];
        foreach ($check->rows as $row => $definition) {
            if ($this->catalogue->rounds->mayBeCovered($check, (string) $row)) {
                $good[(string) $row] = $definition->observer->wording->best();
            }
        }

        return new Stop($at, array_map(strval(...), array_keys($check->rows)), $good);
    }

    /**
     * @param bool $proves all of them are answered by name, so that none needs to say so
     *
     * @return list<array<string, mixed>>
     */
    private function rows(Check $check, Stop $stop, bool $proves): array
    {
        $rows = [];
        foreach ($stop->rows as $id) {
            $row = $check->row($id) ?? throw new \LogicException('A stop names rows of its check.');
            $typed = $row->observer->typed;
            $good = $stop->good[$id] ?? null;
            $words = null !== $typed ? [] : $row->observer->words();
            // what is usual stands first, wherever the scale has it
            $first = $proves ? $this->catalogue->proof->passingOf($check->id, $id) : [$good];
            usort(
                $words,
                static fn (string $a, string $b): int => \in_array($b, $first, true) <=> \in_array($a, $first, true),
            );
            $rows[] = [
                'id' => '' === $id ? '0' : $id,
                'label' => '' === $id ? $this->say->check($stop->at) : $this->say->row($stop->at, $id),
                'unit' => null === $typed ? null : $this->units->of($typed->quantity, $typed->unit)->value,
                'good' => $good,
                'byName' => null === $good && !$proves,
                'words' => array_map(
                    fn (string $word): array => ['id' => $word, 'label' => $this->say->word($stop->at, $id, $word)],
                    $words,
                ),
            ];
        }

        return $rows;
    }
}
