<?php

declare(strict_types=1);

namespace App\Job;

use Rodrel\Core\Job\Stage;
use Rodrel\Core\Log\Kind;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** A job's own address: goes to the page of its stage. */
final class JobController extends AbstractController
{
    #[Route('/jobs/{id:job}', name: 'job', requirements: ['id' => '[0-9a-f-]{36}'], methods: ['GET'])]
    public function __invoke(Job $job, Request $request, ReadJob $readJob): Response
    {
        $loaded = $readJob($job);
        $stage = $loaded->state->stage;
        $learned = $request->query->getInt('learned');
        // one round leads to the next
        $last = Kind::tryFrom($loaded->last()?->kind() ?? '');
        $walks = $learned > 0 && Stage::Bench === $stage && Kind::Round === $last;
        $route = $walks && null !== $loaded->walk() ? 'job_round' : match ($stage) {
            Stage::Intake => 'job_intake',
            Stage::Bench, Stage::Finding => 'job_bench',
            Stage::Repair => 'job_repair',
            Stage::Bleed => 'job_bleed',
            Stage::Proof => 'job_proof',
            Stage::Done => 'job_report',
        };

        return $this->redirectToRoute(
            $route,
            ['id' => $job->id()] + ($learned > 0 ? ['learned' => $learned] : []),
            Response::HTTP_SEE_OTHER,
        );
    }

    /** What changed since a page was drawn; answers 304 while nothing did. */
    #[Route('/jobs/{id:job}/head', name: 'job_head', methods: ['GET'])]
    public function head(
        Job $job,
        Request $request,
        JobEntryRepository $entries,
        \App\Account\UserRepository $users,
        \App\Text\Say $say,
    ): Response {
        $log = $entries->logOf($job->id());
        $last = end($log);
        $seq = false === $last ? 0 : $last->seq();
        $response = new Response();
        $response->setEtag($job->id()->toRfc4122().'-'.$seq);
        if ($response->isNotModified($request)) {
            return $response;
        }
        $who = false === $last ? '' : $users->names()[$last->authorId()->toRfc4122()] ?? '';

        return $this->json(
            [
                'head' => $seq,
                'said' => $say->ui('head.added', [
                    'who' => $who,
                    'what' => false === $last ? '' : $say->ui('kind.'.$last->kind()),
                ]),
            ],
            headers: ['ETag' => $response->getEtag()],
        );
    }
}
