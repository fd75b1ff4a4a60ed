<?php

declare(strict_types=1);

namespace App\Report;

use App\Job\Job;
use App\Job\JobPage;
use App\Job\NextThing;
use App\Job\ReadJob;
use App\Text\Say;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** The report as a file to send. */
final class PdfController extends AbstractController
{
    /** A sheaf of some twenty pages; more would take the memory of a whole page worker. */
    private const MOST_LINES = 400;

    public function __construct(
        private readonly ReadJob $readJob,
        private readonly ReportView $view,
        private readonly Say $say,
        private readonly NextThing $next,
        private readonly Paper $paper,
    ) {
    }

    #[Route('/jobs/{id:job}/report.pdf', name: 'job_pdf', methods: ['GET'])]
    public function __invoke(Job $job, Request $request, InLanguage $in): Response
    {
        $loaded = ($this->readJob)($job);

        return $in->of($request, fn (): Response => $this->paper->of($this->renderView('report/pdf.html.twig', [
            'page' => JobPage::of($loaded, 'done', $this->say, $this->next),
            ...get_object_vars($this->view->of($loaded, self::MOST_LINES)),
        ]), 'report-'.$job->id()->toRfc4122()));
    }
}
