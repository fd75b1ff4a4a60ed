<?php

declare(strict_types=1);

namespace App\Job;

use App\Account\User;
use App\Finding\SignedFinding;
use App\Text\Say;
use Rodrel\Core\InvalidData;
use Rodrel\Core\Job\Kind;
use Rodrel\Core\Job\Refused;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsCsrfTokenValid;
use Symfony\Component\Uid\Uuid;

/** Writes one entry into a job's log and goes back to where the form stood, or on to what is next. */
final class AppendController extends AbstractController
{
    public function __construct(
        private readonly AppendEntry $append,
        private readonly PayloadReader $reader,
        private readonly SignedFinding $signed,
        private readonly ReadJob $readJob,
        private readonly Say $say,
    ) {
    }

    #[Route('/jobs/{id:job}/entries', name: 'job_append', methods: ['POST'])]
    #[IsCsrfTokenValid('submit', '_token')]
    public function __invoke(Job $job, Request $request, #[CurrentUser] User $user): Response
    {
        $form = $request->request;
        $kind = Kind::tryFrom((string) $form->get('kind')) ?? throw $this->createNotFoundException();
        $this->denyAccessUnlessGranted(JobVoter::APPEND, $kind);
        try {
            $id = Uuid::isValid((string) $form->get('entry')) ? Uuid::fromString((string) $form->get('entry')) : Uuid::v7();
            $payload = Kind::Finding === $kind ? $this->signed->payload($job, (string) $form->get('group'), (string) $form->get('against', '')) : $this->reader->read($kind, $form);
            ($this->append)($job, $user, $id, $kind, $payload);

            return $this->redirect($this->target($job, $request, $kind), Response::HTTP_SEE_OTHER);
        } catch (InvalidInput $wrong) {
            return $this->again($job, $request, [$this->say->ui($wrong->key, $wrong->parameters)]);
        } catch (Refused $refused) {
            return $this->again($job, $request, array_map(fn (string $reason): string => $this->say->ui('gate.'.$reason), $refused->reasons));
        } catch (InvalidData $wrong) {
            return $this->again($job, $request, [$this->say->ui('input.data', ['where' => $wrong->path])]);
        } catch (EntryConflict $conflict) {
            return $this->render('job/conflict.html.twig', ['job' => $job, 'stored' => $conflict->stored, 'sent' => $conflict->sent, 'form' => $form->all()], new Response('', Response::HTTP_CONFLICT));
        }
    }

    /** @param list<string> $sentences */
    private function again(Job $job, Request $request, array $sentences): Response
    {
        return $this->render('job/refused.html.twig', [
            'job' => $job,
            'sentences' => $sentences,
            'form' => array_diff_key($request->request->all(), ['_token' => true]),
            'back' => $this->back($job, $request) ?? $this->generateUrl('job', ['id' => $job->id()]),
        ], new Response('', Response::HTTP_UNPROCESSABLE_ENTITY));
    }

    private function target(Job $job, Request $request, Kind $kind): string
    {
        return $this->back($job, $request) ?? match ($kind) {
            Kind::Reading => $this->afterReading($job),
            Kind::Finding, Kind::Prepared, Kind::Step, Kind::Confirm => $this->generateUrl('job_repair', ['id' => $job->id()]),
            Kind::Item, Kind::Settled => $this->generateUrl('job_items', ['id' => $job->id()]),
            default => $this->generateUrl('job', ['id' => $job->id()]),
        };
    }

    private function afterReading(Job $job): string
    {
        return $this->generateUrl('job', ['id' => $job->id(), 'learned' => ($this->readJob)($job)->head()]);
    }

    /** A path of this job only: no form can send people elsewhere. */
    private function back(Job $job, Request $request): ?string
    {
        $back = (string) $request->request->get('back', '');
        $own = $this->generateUrl('job', ['id' => $job->id()]);

        return 1 === preg_match('~^'.preg_quote($own, '~').'(/[a-z0-9@/-]*)?(\?[a-z0-9=&-]*)?(#[a-z0-9-]*)?$~', $back) ? $back : null;
    }
}
