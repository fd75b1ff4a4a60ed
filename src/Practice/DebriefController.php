<?php

declare(strict_types=1);

namespace App\Practice;

use App\Job\Job;
use App\Job\Practices;
use App\Job\RendersJob;
use Rodrel\Core\Job\Stage;
use Rodrel\Core\Shape;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Messenger\MessageBusInterface;
use Symfony\Component\Routing\Attribute\Route;

/** What the vehicle had, and what could have been seen of it when: only once the job is ended. */
final class DebriefController extends RendersJob
{
    public function __construct(
        private readonly Practices $practices,
        private readonly MessageBusInterface $bus,
        private readonly DebriefView $view,
    ) {
    }

    #[Route('/jobs/{id:job}/debrief', name: 'practice_debrief', methods: ['GET'])]
    public function __invoke(Job $job): Response
    {
        $loaded = ($this->readJob)($job);
        if (!$job->isPractice() || Stage::Done !== $loaded->state->stage) {
            throw $this->createNotFoundException();
        }
        $debrief = $this->practices->debrief($job->id());
        if (null === $debrief) {
            $this->bus->dispatch(new ComputeDebrief($job->id()->toRfc4122()));
            $debrief = $this->practices->debrief($job->id());
        }

        return null === $debrief
            ? $this->page('practice/debrief_waits.html.twig', $loaded, 'bench', new DebriefWaits($job->unit()))
            : $this->page('practice/debrief.html.twig', $loaded, 'bench', $this->view->of(new Shape($debrief)));
    }
}
