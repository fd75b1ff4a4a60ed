<?php

declare(strict_types=1);

namespace App\Report;

use App\Job\Job;
use App\Job\JobPage;
use App\Job\NextThing;
use App\Job\ReadJob;
use App\Text\Say;
use Dompdf\Dompdf;
use Dompdf\Options;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\HeaderUtils;
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
        private readonly string $projectDir,
    ) {
    }

    #[Route('/jobs/{id:job}/report.pdf', name: 'job_pdf', methods: ['GET'])]
    public function __invoke(Job $job): Response
    {
        $loaded = ($this->readJob)($job);
        $html = $this->renderView('report/pdf.html.twig', [
            'page' => JobPage::of($loaded, 'done', $this->say, $this->next),
            ...get_object_vars($this->view->of($loaded, self::MOST_LINES)),
        ]);
        $options = new Options([
            'isRemoteEnabled' => false,
            'isPhpEnabled' => false,
            'isJavascriptEnabled' => false,
            'defaultFont' => 'DejaVu Sans',
            'chroot' => $this->projectDir.'/templates/report',
            'tempDir' => sys_get_temp_dir(),
            'fontCache' => sys_get_temp_dir(),
        ]);
        $pdf = new Dompdf($options);
        $pdf->loadHtml($html);
        $pdf->setPaper('A4');
        $pdf->render();

        return new Response((string) $pdf->output(), 200, [
            'Content-Type' => 'application/pdf',
            'Content-Disposition' => HeaderUtils::makeDisposition(
                HeaderUtils::DISPOSITION_INLINE,
                'report-'.$job->id()->toRfc4122().'.pdf',
            ),
        ]);
    }
}
