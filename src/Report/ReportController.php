<?php

declare(strict_types=1);

namespace App\Report;

use App\Job\Job;
use App\Job\RendersJob;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** The report: one page for the customer and the file, and the trail. */
final class ReportController extends RendersJob
{
    #[Route('/jobs/{id:job}/report', name: 'job_report', methods: ['GET'])]
    public function __invoke(Job $job, ReportView $view): Response
    {
        $loaded = ($this->readJob)($job);

        return $this->page('report/report.html.twig', $loaded, 'done', $view->of($loaded));
    }
}
