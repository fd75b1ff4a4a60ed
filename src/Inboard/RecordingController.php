<?php

declare(strict_types=1);

namespace App\Inboard;

use App\Job\Job;
use App\Job\RendersJob;
use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\InvalidData;
use Rodrel\Core\Road\Recording;
use Rodrel\Core\Vocabulary\CheckAt;
use Symfony\Component\HttpFoundation\File\UploadedFile;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\IsCsrfTokenValid;

/** Takes a file of samples to a check's sheet; nothing is kept before the technician says so. */
final class RecordingController extends RendersJob
{
    private const MOST_BYTES = 3_000_000;

    #[Route('/jobs/{id:job}/checks/{check}/recording', name: 'job_recording', methods: ['POST'])]
    #[IsCsrfTokenValid('submit', '_token')]
    public function __invoke(
        Job $job,
        string $check,
        Request $request,
        Catalogue $catalogue,
        RecordingView $view,
    ): Response {
        $loaded = ($this->readJob)($job);
        $at = CheckAt::tryParse($check) ?? throw $this->createNotFoundException();
        $definition = $catalogue->checks->all[$at->id] ?? throw $this->createNotFoundException();
        $records = $definition->role->records ?? throw $this->createNotFoundException();
        if (!$definition->places->has($loaded->layout, $at->place)) {
            throw $this->createNotFoundException();
        }
        $file = $request->files->get('recording');
        try {
            $csv = $file instanceof UploadedFile && $file->isValid() && $file->getSize() <= self::MOST_BYTES
                ? $file->getContent()
                : throw InvalidData::at('/recording', 'a CSV file of at most 3 MB is expected');
            $page = $view->of($loaded, $at, $records, Recording::fromCsv(mb_scrub($csv)));
        } catch (InvalidData $wrong) {
            return $this->page('inboard/recording.html.twig', $loaded, 'bench', $view->wrong($at, $wrong))
                ->setStatusCode(Response::HTTP_UNPROCESSABLE_ENTITY);
        }

        return $this->page('inboard/recording.html.twig', $loaded, 'bench', $page);
    }
}
