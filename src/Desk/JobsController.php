<?php

declare(strict_types=1);

namespace App\Desk;

use App\Account\User;
use App\Account\UserRepository;
use App\Bench\Thumbnail;
use App\Job\JobLine;
use App\Job\JobLineRepository;
use App\Job\LineWords;
use App\Job\Listing;
use App\Shop\ShopSettings;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\Clock\ClockInterface;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** Every vehicle in the shop, one line each. */
final class JobsController extends AbstractController
{
    #[Route('/', name: 'jobs', methods: ['GET'])]
    public function __invoke(
        Request $request,
        JobLineRepository $lines,
        UserRepository $users,
        Thumbnail $thumbnail,
        LineWords $words,
        ClockInterface $clock,
        ShopSettings $shop,
        #[CurrentUser] User $user,
    ): Response {
        $asked = Listing::of($request->query);
        $today = $clock->now()->setTimezone($shop->timeZone());
        $listed = $lines->listed($asked, $user->id(), $today);

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
            filter: $asked->show,
            search: $asked->search,
            asked: $asked,
            waits: Listing::waits(),
            sorts: Listing::SORTS,
            page: $asked->page,
            more: JobLineRepository::PER_PAGE === \count($listed),
            counts: $lines->counts($user->id(), $today),
        )));
    }
}
