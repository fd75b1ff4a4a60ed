<?php

declare(strict_types=1);

namespace App\Finding;

use App\Job\Job;
use App\Job\RendersJob;
use App\Text\Letters;
use App\Text\Percent;
use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Isolation\Suspicion;
use Rodrel\Core\Vocabulary\GroupAt;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/**
 * "I think it is the hose": what would refute it, what would confirm it, what it costs to be wrong.
 *
 * @phpstan-import-type Seen from Suspicion
 */
final class SuspicionController extends RendersJob
{
    public function __construct(private readonly Catalogue $catalogue)
    {
    }

    #[Route('/jobs/{id:job}/suspicion', name: 'job_suspicion', methods: ['GET'])]
    public function __invoke(Job $job, Request $request): Response
    {
        $loaded = ($this->readJob)($job);
        $all = $this->catalogue->faults->repairsIn($loaded->layout);
        $group = $all[$request->query->getString('group')] ?? null;
        $suspicion = null === $group ? null : $loaded->suspicion($group);
        if (null === $group || null === $suspicion) {
            return $this->redirectToRoute('job_finding', ['id' => $job->id()], Response::HTTP_SEE_OTHER);
        }
        $names = array_map(
            $this->say->group(...),
            array_filter($all, static fn (GroupAt $one): bool => 'none' !== $one->id),
        );
        asort($names);

        return $this->page('finding/suspicion.html.twig', $loaded, 'finding', new SuspicionPage(
            group: (string) $group,
            name: $this->say->group($group),
            mass: $suspicion->mass,
            refute: array_map(fn (array $seen): array => $this->seen($seen, 'if-else'), $suspicion->refute),
            confirm: array_map(fn (array $seen): array => $this->seen($seen, 'if-this'), $suspicion->confirm),
            cost: $suspicion->costCents,
            going: $suspicion->wrongCents,
            known: $suspicion->knownCents,
            all: $names,
        ));
    }

    /**
     * @param Seen $seen
     *
     * @return array{check: string, said: string, then: string, minutes: int}
     */
    private function seen(array $seen, string $key): array
    {
        $word = $this->say->word($seen['at'], $seen['row'], $seen['word']);
        $row = '' === $seen['row'] ? '' : $this->say->row($seen['at'], $seen['row']).' ';

        return [
            'check' => (string) $seen['at'],
            'said' => $this->say->ui('suspicion.seen', [
                'check' => $this->say->check($seen['at']),
                'word' => $row.('' === $row ? $word : Letters::inner($word)),
            ]),
            'then' => $this->say->ui('suspicion.'.$key, [
                'percent' => Percent::of($seen['chance']),
                'after' => Percent::of($seen['after']),
            ]),
            'minutes' => (int) ceil($seen['minutes']),
        ];
    }
}
