<?php

declare(strict_types=1);

namespace App\Account;

use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** After signing in: sends on what was sent too late, by itself where scripts run, by one button elsewhere. */
final class KeptPostController extends AbstractController
{
    #[Route('/kept', name: 'kept_post', methods: ['GET'])]
    public function __invoke(Request $request): Response
    {
        $kept = PostAfterSignIn::take($request);

        return null === $kept ? $this->redirectToRoute('jobs') : $this->render('account/kept.html.twig', $kept);
    }
}
