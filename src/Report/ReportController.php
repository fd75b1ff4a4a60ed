<?php

declare(strict_types=1);

namespace App\Report;

use App\Job\Job;
use App\Job\RendersJob;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** The report for the file: evidence, figures, names and the trail; in the language that is asked for. */
final class ReportController extends RendersJob
{
    #[Route('/jobs/{id:job}/report', name: 'job_report', methods: ['GET'])]
    public function __invoke(Job $job, Request $request, ReportView $view, InLanguage $in): Response
    {
        $loaded = ($this->readJob)($job);

        return $in->of(
            $request,
            fn (): Response => $this->page('report/report.html.twig', $loaded, 'done', $view->of($loaded)),
        );
    }
}
