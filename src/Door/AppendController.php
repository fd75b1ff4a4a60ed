<?php

declare(strict_types=1);

namespace App\Door;

use App\Account\OwnWork;
use App\Account\User;
use App\Finding\SignedFinding;
use App\Input\InvalidInput;
use App\Input\KeptFor;
use App\Input\Refusal;
use App\Job\EntryConflict;
use App\Job\FormReader;
use App\Job\Job;
use App\Job\JobEntry;
use App\Job\JobVoter;
use App\Job\LoadedJob;
use App\Job\RefusedPage;
use App\Text\Say;
use Rodrel\Core\InvalidData;
use Rodrel\Core\Log\Kind;
use Rodrel\Core\Log\Payload\Payload;
use Rodrel\Core\Log\Refused;
use Rodrel\Core\Vocabulary\CheckAt;
use Rodrel\Core\Vocabulary\GroupAt;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\InputBag;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsCsrfTokenValid;
use Symfony\Component\Uid\Uuid;

/** Writes one entry into a job's log and goes back to where the form stood, or on to what is next. */
final class AppendController extends AbstractController
{
    /** What the device sends on itself from what it kept without a network. */
    private const OUTBOX = 'outbox:';

    public function __construct(
        private readonly WriteSent $write,
        private readonly AlongWith $along,
        private readonly FormReader $reader,
        private readonly SignedFinding $signed,
        private readonly ConflictView $conflict,
        private readonly OwnWork $own,
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
            $this->own->check($form->getString('by'), $user);
            $id = Uuid::isValid((string) $form->get('entry'))
                ? Uuid::fromString((string) $form->get('entry'))
                : Uuid::v7();
            $says = Kind::Finding === $kind ? $this->finding($form) : $this->reader->read($kind, $form);
            $besides = $this->along->read($kind, $form);
            $entry = ($this->write)($job, $request, $user, $id, $says);
            $ended = $this->along->write($job, $request, $user, $entry, $besides) && Kind::Bleed === $kind;
            $target = $ended ? $this->generateUrl('job', ['id' => $job->id()]) : $this->target($job, $request, $entry);

            return $this->redirect($target, Response::HTTP_SEE_OTHER);
        } catch (InvalidInput $wrong) {
            $said = [...$this->of($wrong->check), $this->say->ui($wrong->key, $wrong->parameters)];

            return $this->again($job, $request, $said, $wrong->parameters['typed'] ?? '');
        } catch (Refused $refused) {
            return $this->again(
                $job,
                $request,
                [...$this->of($refused->check), ...array_map(
                    fn (string $reason): string => $this->say->ui('gate.'.$reason),
                    $refused->reasons,
                )],
            );
        } catch (InvalidData $wrong) {
            return $this->again($job, $request, [$this->say->ui('input.data', ['where' => $wrong->path])]);
        } catch (EntryConflict $conflict) {
            $page = $this->conflict->of($job, $request, $kind, $conflict);

            return $this->render('job/conflict.html.twig', get_object_vars($page), new Response('', 409));
        }
    }

    /** @return list<string> the check of a round that a complaint is about */
    private function of(?CheckAt $check): array
    {
        return null === $check ? [] : [$this->say->check($check).':'];
    }

    /**
     * Back on the sheet where the device kept what was typed; where it keeps nothing, a page of its own holds it.
     *
     * @param list<string> $sentences
     */
    private function again(Job $job, Request $request, array $sentences, string $typed = ''): Response
    {
        Refusal::note($request, $sentences);
        $draft = $request->request->getString('_draft');
        $from = (string) parse_url($request->headers->get('Referer', ''), \PHP_URL_PATH);
        $own = str_starts_with($from, $this->generateUrl('job', ['id' => $job->id()]).'/');
        $kept = '' !== $draft && !str_starts_with($draft, self::OUTBOX) && !str_ends_with($from, '/entries');
        if ($kept && $own && !KeptFor::is($request)) {
            Refusal::carry($request, $sentences, $typed);

            return $this->redirect($from, Response::HTTP_SEE_OTHER);
        }

        return $this->render(
            'job/refused.html.twig',
            get_object_vars(new RefusedPage(
                job: $job,
                sentences: $sentences,
                form: array_diff_key($request->request->all(), ['_token' => true]),
                back: $this->back($job, $request) ?? $this->generateUrl('job', ['id' => $job->id()]),
            )),
            new Response('', Response::HTTP_UNPROCESSABLE_ENTITY),
        );
    }

    /**
     * Signed from the job as it stands when the entry is written.
     *
     * @param InputBag<bool|float|int|string> $form
     *
     * @return \Closure(LoadedJob): Payload
     */
    private function finding(InputBag $form): \Closure
    {
        $group = GroupAt::tryParse($form->getString('group')) ?? throw InvalidInput::because('input.group');
        $against = $form->getString('against');

        return fn (LoadedJob $loaded): Payload => $this->signed->payload($loaded, $group, $against);
    }

    private function target(Job $job, Request $request, JobEntry $entry): string
    {
        $learned = ['id' => $job->id(), 'learned' => $entry->seq()];

        return $this->back($job, $request)
            ?? match (Kind::from($entry->kind())) {
                Kind::Reading, Kind::Round => $this->generateUrl('job', $learned),
                Kind::Finding, Kind::Prepared, Kind::Step, Kind::Confirm => $this->generateUrl('job_repair', [
                    'id' => $job->id(),
                ]),
                Kind::Item, Kind::Settled => $this->generateUrl('job_items', ['id' => $job->id()]),
                default => $this->generateUrl('job', ['id' => $job->id()]),
            };
    }

    /** A path of this job only: no form can send people elsewhere. */
    private function back(Job $job, Request $request): ?string
    {
        $back = (string) $request->request->get('back', '');
        $own = $this->generateUrl('job', ['id' => $job->id()]);

        return 1
            === preg_match('~^'.preg_quote($own, '~').'(/[a-z0-9@/-]*)?(\?[a-z0-9=&-]*)?(#[a-z0-9-]*)?$~', $back)
            ? $back
            : null;
    }
}
