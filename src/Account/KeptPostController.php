<?php

declare(strict_types=1);

namespace App\Account;

use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** After signing in: sends on what was sent too late, by itself where scripts run, by one button elsewhere. */
final class KeptPostController extends AbstractController
{
    #[Route('/kept', name: 'kept_post', methods: ['GET'])]
    public function __invoke(Request $request, UserRepository $users, #[CurrentUser] User $user): Response
    {
        $kept = PostAfterSignIn::take($request);
        if (null === $kept) {
            return $this->redirectToRoute('jobs');
        }
        $by = $kept['form']['by'] ?? '';
        if (\is_string($by) && '' !== $by && $by !== $user->id()->toRfc4122()) {
            PostAfterSignIn::keep($request, $kept);

            return $this->render('account/kept_other.html.twig', ['who' => $users->names()[$by] ?? '?']);
        }

        return $this->render('account/kept.html.twig', $kept);
    }
}
