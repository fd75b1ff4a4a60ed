<?php

declare(strict_types=1);

namespace App\Desk;

use App\Account\User;
use App\Account\UserRepository;
use App\Bench\Thumbnail;
use App\Job\JobLine;
use App\Job\JobLineRepository;
use App\Job\LineWords;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** Every vehicle in the shop, one line each. */
final class JobsController extends AbstractController
{
    private const LAST_PAGE = 1000;

    #[Route('/', name: 'jobs', methods: ['GET'])]
    public function __invoke(
        Request $request,
        JobLineRepository $lines,
        UserRepository $users,
        Thumbnail $thumbnail,
        LineWords $words,
        #[CurrentUser] User $user,
    ): Response {
        $filter = $request->query->getString('show', 'shed');
        $filter = \in_array($filter, ['shed', 'mine', 'done', 'practice'], true) ? $filter : 'shed';
        $search = mb_substr($request->query->getString('q'), 0, 100);
        $page = min(self::LAST_PAGE, max(1, (int) $request->query->getString('page', '1')));
        $listed = $lines->listed($filter, $search, $user->id(), $page);

        return $this->render('job/jobs.html.twig', get_object_vars(new JobsPage(
            lines: $listed,
            thumbnails: array_map(
                static fn (JobLine $line): array => $thumbnail->of($line->preset, $line->parts, $line->hotSpots),
                $listed,
            ),
            said: array_map(static fn (JobLine $line): array => [
                'complaint' => $words->complaint($line),
                'next' => $words->next($line),
            ], $listed),
            names: $users->names(),
            filter: $filter,
            search: $search,
            page: $page,
            more: JobLineRepository::PER_PAGE === \count($listed),
            counts: $lines->counts($user->id()),
        )));
    }
}
