<?php

declare(strict_types=1);

namespace App\Practice;

use App\Job\JobRepository;
use App\Job\ReadJob;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpFoundation\RedirectResponse;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Event\RequestEvent;
use Symfony\Component\HttpKernel\KernelEvents;
use Symfony\Component\Routing\Generator\UrlGeneratorInterface;
use Symfony\Component\Uid\Uuid;

/**
 * With one's own head there is no bench: of a job that is practised so only those pages open that are needed to work on
 * it, until it is ended. Every other one leads to the page where its checks are chosen and its repair is signed.
 */
#[AsEventListener(event: KernelEvents::REQUEST, priority: 4)]
final readonly class OwnHead
{
    private const OPEN = [
        'job', 'job_append', 'job_head', 'job_intake', 'job_checks', 'job_check', 'job_repair', 'job_repair_keep',
        'job_work', 'job_bleed', 'job_proof', 'job_proof_next', 'job_proof_round', 'job_items', 'job_photo', 'photo',
        'practice_own', 'practice_answer', 'practice_open',
    ];

    public function __construct(
        private JobRepository $jobs,
        private ReadJob $readJob,
        private UrlGeneratorInterface $urls,
    ) {
    }

    public function __invoke(RequestEvent $event): void
    {
        $route = $event->getRequest()->attributes->getString('_route');
        $parameters = $event->getRequest()->attributes->get('_route_params');
        $id = \is_array($parameters) ? $parameters['id'] ?? null : null;
        $ofAJob = str_starts_with($route, 'job') || str_starts_with($route, 'practice_');
        $open = \in_array($route, self::OPEN, true);
        if (!$event->isMainRequest() || !$ofAJob || $open || !\is_string($id) || !Uuid::isValid($id)) {
            return;
        }
        $job = $this->jobs->find(Uuid::fromString($id));
        if (null !== $job && $job->isPractice() && ($this->readJob)($job)->keepsSilent()) {
            $own = $this->urls->generate('practice_own', ['id' => $id]);
            $event->setResponse(new RedirectResponse($own, Response::HTTP_SEE_OTHER));
        }
    }
}
