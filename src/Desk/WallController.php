<?php

declare(strict_types=1);

namespace App\Desk;

use App\Account\LoginSlowdown;
use App\Job\Job;
use App\Job\JobRepository;
use App\Job\ReadJob;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\IsCsrfTokenValid;

/** A second screen on the wall: opened by a code, shows one job's next thing, takes nothing. */
final class WallController extends AbstractController
{
    private const JOB = 'wall_job';

    public function __construct(
        private readonly WallCodes $codes,
        private readonly JobRepository $jobs,
        private readonly ReadJob $readJob,
        private readonly WallView $view,
    ) {
    }

    #[Route('/jobs/{id:job}/wall', name: 'job_wall', methods: ['POST'])]
    #[IsCsrfTokenValid('submit', '_token')]
    public function code(Job $job): Response
    {
        return $this->render('shop/wall_code.html.twig', ['job' => $job, 'code' => $this->codes->make($job->id())]);
    }

    #[Route('/wall', name: 'wall', methods: ['GET'])]
    public function show(Request $request): Response
    {
        $job = $this->job($request);

        return null === $job
            ? $this->render('shop/wall_door.html.twig', ['wrong' => null])
            : $this->render('shop/wall.html.twig', get_object_vars($this->view->of(($this->readJob)($job))));
    }

    #[Route('/wall', name: 'wall_open', methods: ['POST'])]
    #[IsCsrfTokenValid('submit', '_token')]
    public function open(Request $request, LoginSlowdown $slowdown): Response
    {
        if ($slowdown->attempt('wall') > 0.0) {
            return $this->door('wall.slow');
        }
        $job = $this->codes->job($request->request->getString('code'));
        if (null === $job) {
            return $this->door('wall.wrong');
        }
        $slowdown->forget('wall');
        $request->getSession()->set(self::JOB, [$job, $request->request->getString('code')]);

        return $this->redirectToRoute('wall', [], Response::HTTP_SEE_OTHER);
    }

    #[Route('/wall/head', name: 'wall_head', methods: ['GET'])]
    public function head(Request $request): Response
    {
        $job = $this->job($request);

        return new JsonResponse(['head' => null === $job ? -1 : ($this->readJob)($job)->head()]);
    }

    private function door(string $wrong): Response
    {
        return $this->render('shop/wall_door.html.twig', ['wrong' => $wrong], new Response('', 422));
    }

    /** The job of the code that this screen was opened with, while that holds. */
    private function job(Request $request): ?Job
    {
        $kept = $request->hasPreviousSession() ? $request->getSession()->get(self::JOB) : null;
        [$id, $code] = \is_array($kept) ? [...$kept, '', ''] : ['', ''];

        return \is_string($code) && '' !== $id && $this->codes->job($code) === $id ? $this->jobs->find($id) : null;
    }
}
