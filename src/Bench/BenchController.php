<?php

declare(strict_types=1);

namespace App\Bench;

use App\Account\UserRepository;
use App\Job\Job;
use App\Job\LoadedJob;
use App\Job\RendersJob;
use App\Prediction\Predictions;
use Rodrel\Core\Catalogue;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** The bench: drawing, next check with its fork, trail, suspects. */
final class BenchController extends RendersJob
{
    public function __construct(private readonly Drawing $drawing, private readonly ProposalView $proposals, private readonly SuspectView $suspects, private readonly TrailView $trail, private readonly Predictions $predictions, private readonly UserRepository $users, private readonly Catalogue $catalogue)
    {
    }

    #[Route('/jobs/{id:job}/bench', name: 'job_bench', methods: ['GET'])]
    public function __invoke(Job $job, Request $request): Response
    {
        $loaded = ($this->readJob)($job);
        $verdict = $loaded->state->verdict();
        $next = null === $verdict?->next ? null : $this->proposals->of($loaded->state, $verdict->next);

        return $this->page('bench/bench.html.twig', $loaded, 'bench', [
            'next' => $next,
            'reason' => null === $verdict ? null : $this->say->ui('bench.reason.'.$verdict->reason),
            'repair' => $verdict?->repair,
            'again' => array_map(fn ($reading): array => ['id' => $reading->check, 'name' => $this->say->check($reading->check), 'entry' => $reading->id], $verdict?->contradiction->again ?? []),
            'others' => array_map(fn ($proposal): array => $this->proposals->of($loaded->state, $proposal), $verdict->others ?? []),
            'drawing' => $this->drawing->of($loaded->layout, $loaded->state, $verdict?->next?->id()),
            'suspects' => $this->suspects->of($loaded->state),
            'second' => $loaded->state->belief?->second,
            'struck' => $this->suspects->struckOut($loaded->state),
            'recomputed' => $this->recomputed($loaded),
            'trail' => $this->trail->of($loaded, $this->users->names()),
            'learned' => $request->query->getInt('learned') === $loaded->head() ? $this->learned($loaded) : null,
            'computing' => null === $loaded->state->belief ? $this->predictions->howFar($loaded->layout) : null,
            'early' => $this->early($loaded),
            'road' => $loaded->state->road(),
            'lift' => $loaded->state->situation->lift->value,
            'common' => \array_slice($this->suspects->commonCauses($loaded->state), 0, 2),
            'failed' => null === $loaded->state->repaired ? null : $loaded->state->proof->failed(),
        ]);
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

    /** One sentence on what the newest reading changed. */
    private function learned(LoadedJob $loaded): ?string
    {
        $belief = $loaded->state->belief;
        $last = $loaded->last();
        if (null === $belief || null === $last) {
            return null;
        }
        foreach ($belief->readings as $n => $reading) {
            if ($reading->id === $last->toCore()->id) {
                return $this->suspects->change($belief->without($n), $belief);
            }
        }

        return null;
    }

    /**
     * While the predictions are computed: what can be looked at anyway.
     *
     * @return list<array{id: string, name: string}>
     */
    private function early(LoadedJob $loaded): array
    {
        if (null !== $loaded->state->belief) {
            return [];
        }
        $early = array_filter(['pattern@vehicle', 'look@vehicle', 'pedal@vehicle'], static fn (string $check): bool => !$loaded->state->situation->made($check));

        return array_values(array_map(fn (string $check): array => ['id' => $check, 'name' => $this->say->check($check)], $early));
    }
}
