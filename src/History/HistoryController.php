<?php

declare(strict_types=1);

namespace App\History;

use App\Job\Job;
use App\Job\RendersJob;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** What a job shares with the other jobs of its vehicle: what was measured, and how the vehicle stands. */
final class HistoryController extends RendersJob
{
    #[Route('/jobs/{id:job}/measure', name: 'job_measure', methods: ['GET'])]
    public function measure(Job $job, MeasureView $view): Response
    {
        $loaded = ($this->readJob)($job);

        return $this->page('history/measure.html.twig', $loaded, 'bench', $view->of($loaded));
    }

    #[Route('/jobs/{id:job}/condition', name: 'job_condition', methods: ['GET'])]
    public function condition(Job $job, ConditionView $view): Response
    {
        $loaded = ($this->readJob)($job);

        return $this->page('history/condition.html.twig', $loaded, 'bench', $view->of($loaded));
    }
}
