<?php

declare(strict_types=1);

namespace App\Desk;

use App\Account\LoginSlowdown;
use App\Job\Job;
use App\Job\JobRepository;
use App\Job\LoadedJob;
use App\Job\NextThing;
use App\Job\ReadJob;
use App\Shop\ShopSettings;
use App\Text\Say;
use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Job\Stage;
use Rodrel\Core\Log\Payload\StepPayload;
use Rodrel\Core\Log\Rule;
use Rodrel\Core\Repair\Step;
use Rodrel\Core\Vocabulary\CheckAt;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\Clock\ClockInterface;
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
        private readonly NextThing $nextThing,
        private readonly Catalogue $catalogue,
        private readonly ClockInterface $clock,
        private readonly Say $say,
        private readonly ShopSettings $shop,
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
            : $this->render('shop/wall.html.twig', get_object_vars($this->wall(($this->readJob)($job))));
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

    private function wall(LoadedJob $loaded): WallPage
    {
        $next = ($this->nextThing)($loaded);
        $check = CheckAt::tryParse($next->parameters['check'] ?? '');
        $manner = null === $check ? null : $this->catalogue->checks->of($check)->manner;
        $cautions = null === $manner?->caution ? [] : [$manner->caution];
        $title = $next->title;
        $how = null === $check ? $next->line : $this->say->text('check.'.$check->id.'.how');
        [$step, $wait] = Stage::Repair === $loaded->state->stage ? $this->step($loaded) : [null, 0];
        if (null !== $step) {
            [$title, $how, $cautions] = [$this->say->text('step.'.$step->id), $next->title, $step->cautions];
        }

        return new WallPage(
            unit: $loaded->job->unit(),
            stage: $this->say->ui('stage.'.$loaded->state->stage->value),
            next: $title,
            how: $how,
            cautions: array_map(fn (string $id): string => $this->say->text('caution.'.$id), $cautions),
            spoken: array_map(fn (string $word): string => $this->say->text('say.'.$word), $manner->spoken ?? []),
            wait: $wait,
            head: $loaded->head(),
        );
    }

    /** @return array{Step|null, int} the first step that is not done, and the seconds until a second look */
    private function step(LoadedJob $loaded): array
    {
        $group = $loaded->state->repairGroup();
        $finding = $loaded->state->story->finding();
        if (null === $group || null === $finding) {
            return [null, 0];
        }
        $wait = 0;
        foreach ($loaded->state->story->entriesOf(StepPayload::class) as $done) {
            $waits = !$loaded->state->story->stepConfirmed($done)
                && ($this->catalogue->repairs->procedureOf($group)->step($done->payload->step)->figure->holdPoint ?? false);
            $since = $this->clock->now()->getTimestamp() - $done->takenAt->getTimestamp();
            $wait = $waits ? max($wait, Rule::SECOND_LOOK_S - $since) : $wait;
        }
        $procedure = $this->catalogue->repairs->procedureOf($group);
        $way = $this->shop->practice()->wayOf($procedure);
        foreach ($procedure->steps as $step) {
            $own = null === $step->way || $step->way === $way;
            if ($own && null === $loaded->state->story->stepDone($finding->id, $step->id)) {
                return [$step, $wait];
            }
        }

        return [null, $wait];
    }
}
