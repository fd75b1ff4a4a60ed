<?php

declare(strict_types=1);

namespace App\Exchange;

use App\Account\User;
use App\Job\Job;
use App\Text\Csv;
use App\Text\Say;
use Rodrel\Core\CoreException;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\File\UploadedFile;
use Symfony\Component\HttpFoundation\HeaderUtils;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsCsrfTokenValid;

/** A job out as a file, and in again. */
final class ExportController extends AbstractController
{
    public function __construct(
        private readonly JobDocument $document,
        private readonly BringIn $bringIn,
        private readonly Documents $documents,
        private readonly Say $say,
    ) {
    }

    #[Route('/jobs/{id:job}/job.json', name: 'job_json', methods: ['GET'])]
    public function wholeJob(Job $job): Response
    {
        return $this->download(
            $this->document->json($job),
            'application/json',
            'job-'.$job->id()->toRfc4122().'.json',
        );
    }

    #[Route('/jobs/{id:job}/readings.csv', name: 'job_csv', methods: ['GET'])]
    public function readings(Job $job): Response
    {
        return $this->download(
            Csv::of($this->document->readings($job)),
            'text/csv; charset=utf-8',
            'readings-'.$job->id()->toRfc4122().'.csv',
        );
    }

    #[Route('/jobs/import', name: 'job_import', methods: ['GET'], priority: 2)]
    public function form(): Response
    {
        return $this->render('job/import.html.twig', get_object_vars(new ImportPage(
            wrong: null,
        )));
    }

    #[Route('/jobs/import', name: 'job_bring_in', methods: ['POST'], priority: 2)]
    #[IsCsrfTokenValid('submit', '_token')]
    public function bringIn(Request $request, #[CurrentUser] User $user): Response
    {
        $file = $request->files->get('file');
        try {
            $path = $file instanceof UploadedFile ? $file->getPathname() : '';
            $job = ($this->bringIn)($this->documents->read($path, 'job-export'), $user);
        } catch (CoreException $wrong) {
            return $this->render(
                'job/import.html.twig',
                get_object_vars(new ImportPage(
                    wrong: $this->say->ui('export.wrong', ['what' => $wrong->getMessage()]),
                )),
                new Response('', Response::HTTP_UNPROCESSABLE_ENTITY),
            );
        }

        return $this->redirectToRoute('job', ['id' => $job->id()], Response::HTTP_SEE_OTHER);
    }

    private function download(string $content, string $type, string $name): Response
    {
        return new Response($content, 200, [
            'Content-Type' => $type,
            'Content-Disposition' => HeaderUtils::makeDisposition(HeaderUtils::DISPOSITION_ATTACHMENT, $name),
        ]);
    }
}
