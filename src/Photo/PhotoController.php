<?php

declare(strict_types=1);

namespace App\Photo;

use App\Account\OwnWork;
use App\Account\User;
use App\Input\InvalidInput;
use App\Input\KeptFor;
use App\Input\Refusal;
use App\Job\AppendEntry;
use App\Job\EntryConflict;
use App\Job\Job;
use App\Job\RefusedPage;
use App\Text\Say;
use Doctrine\ORM\EntityManagerInterface;
use Rodrel\Core\Log\Payload\PhotoPayload;
use Rodrel\Core\Vocabulary\CheckAt;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\Clock\ClockInterface;
use Symfony\Component\HttpFoundation\File\UploadedFile;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsCsrfTokenValid;
use Symfony\Component\Uid\Uuid;

/** Pictures at a check sheet and at the steps of a repair. */
final class PhotoController extends AbstractController
{
    public function __construct(
        private readonly Photos $photos,
        private readonly Darkroom $darkroom,
        private readonly AppendEntry $append,
        private readonly ClockInterface $clock,
        private readonly Say $say,
        private readonly OwnWork $own,
        private readonly EntityManagerInterface $entities,
    ) {
    }

    #[Route('/jobs/{id:job}/photos', name: 'job_photo', methods: ['POST'])]
    #[IsCsrfTokenValid('submit', '_token')]
    public function take(Job $job, Request $request, #[CurrentUser] User $user): Response
    {
        $about = $request->request->getString('about');
        $file = $request->files->get('photo');
        $back = str_starts_with($about, 'check:')
            ? $this->generateUrl('job_check', ['id' => $job->id(), 'check' => substr($about, 6)])
            : $this->generateUrl('job_repair', ['id' => $job->id(), '_fragment' => 'step-'.substr($about, 5)]);
        if (!$this->known($about)) {
            throw $this->createNotFoundException();
        }
        try {
            $this->own->check($request->request->getString('by'), $user);
            if (!($file instanceof UploadedFile) || !$file->isValid()) {
                throw InvalidInput::because(
                    $file instanceof UploadedFile ? 'input.picture-large' : 'input.picture-missing',
                );
            }
            $picture = $this->photos->oneAtATime(
                $user->id(),
                fn (): array => $this->darkroom->develop($file->getPathname()),
            );
        } catch (InvalidInput $wrong) {
            return $this->refused($job, $request, $wrong->key, $wrong->parameters, $back, 422);
        }
        $id = Uuid::isValid($request->request->getString('entry'))
            ? Uuid::fromString($request->request->getString('entry'))
            : Uuid::v7();
        $says = new PhotoPayload($id->toRfc4122(), $about);
        $madeAt = KeptFor::madeAt($request, $this->clock->now(), $says);
        $at = $madeAt ?? $this->clock->now();
        try {
            // both or neither: no picture without its line, no line without its picture
            $this->entities->wrapInTransaction(function () use ($job, $user, $id, $says, $madeAt, $at, $picture): void {
                ($this->append)($job, $user, $id, $says, $madeAt);
                $this->photos->keep($id, $job->id(), $says->about, $user->id(), $at, $picture);
            });
        } catch (EntryConflict) {
            return $this->refused($job, $request, 'input.picture-used', [], $back, Response::HTTP_CONFLICT);
        }

        return $this->redirect($back, Response::HTTP_SEE_OTHER);
    }

    /** @param array<string, string> $parameters of the sentence */
    private function refused(
        Job $job,
        Request $request,
        string $key,
        array $parameters,
        string $back,
        int $status,
    ): Response {
        $sentences = [$this->say->ui($key, $parameters)];
        Refusal::note($request, $sentences);

        return $this->render(
            'job/refused.html.twig',
            get_object_vars(new RefusedPage(job: $job, sentences: $sentences, form: [], back: $back)),
            new Response('', $status),
        );
    }

    /** A photo is of a check at a place, or of a step. */
    private function known(string $about): bool
    {
        [$kind, $what] = [...explode(':', $about, 2), ''];

        return ('check' === $kind && null !== CheckAt::tryParse($what))
            || ('step' === $kind && 1 === preg_match('/^[a-z]+(-[a-z]+)*(@[a-z]+(-[a-z]+)*)?$/', $what));
    }

    #[Route('/photos/{photo}', name: 'photo', requirements: ['photo' => '[0-9a-f-]{36}'], methods: ['GET'])]
    public function show(string $photo): Response
    {
        $jpeg = Uuid::isValid($photo) ? $this->photos->jpeg(Uuid::fromString($photo)) : null;
        if (null === $jpeg) {
            throw $this->createNotFoundException();
        }

        return new Response($jpeg, 200, [
            'Content-Type' => 'image/jpeg',
            'Cache-Control' => 'private, max-age=86400',
            'X-Content-Type-Options' => 'nosniff',
        ]);
    }
}
