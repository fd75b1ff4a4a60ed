<?php

declare(strict_types=1);

namespace App\Report;

use Dompdf\Dompdf;
use Dompdf\Options;
use Symfony\Component\HttpFoundation\HeaderUtils;
use Symfony\Component\HttpFoundation\Response;

/** A page as a file to send: A4, with no script and nothing loaded from elsewhere. */
final readonly class Paper
{
    public function __construct(private string $projectDir)
    {
    }

    public function of(string $html, string $name): Response
    {
        $pdf = new Dompdf(new Options([
            'isRemoteEnabled' => false,
            'isPhpEnabled' => false,
            'isJavascriptEnabled' => false,
            'defaultFont' => 'DejaVu Sans',
            'chroot' => $this->projectDir.'/templates/report',
            'tempDir' => sys_get_temp_dir(),
            'fontCache' => sys_get_temp_dir(),
        ]));
        $pdf->loadHtml($html);
        $pdf->setPaper('A4');
        $pdf->render();

        return new Response((string) $pdf->output(), 200, [
            'Content-Type' => 'application/pdf',
            'Content-Disposition' => HeaderUtils::makeDisposition(HeaderUtils::DISPOSITION_INLINE, $name.'.pdf'),
        ]);
    }
}
