<?php

declare(strict_types=1);

namespace App\Account;

use App\Watch\DemoShop;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsCsrfTokenValid;
use Symfony\Component\Security\Http\Authentication\AuthenticationUtils;

/** The door. */
final class SignInController extends AbstractController
{
    private const SETTINGS = 'shortcuts|theme|units|language';

    #[Route('/sign-in', name: 'sign_in', methods: ['GET', 'POST'])]
    public function __invoke(AuthenticationUtils $tried, DemoShop $shop): Response
    {
        return $this->render('account/sign_in.html.twig', get_object_vars(new SignInPage(
            error: $tried->getLastAuthenticationError(),
            login: $tried->getLastUsername(),
            demo: $shop->isDemo(),
        )));
    }

    #[Route('/sign-out', name: 'sign_out', methods: ['POST'])]
    public function signOut(): never
    {
        throw new \LogicException('The firewall answers this route.');
    }

    /** Single keys are in the way of some (dictation, tremor, a cat); a dark bay wants a dark page. */
    #[Route('/me/{what}', name: 'my_setting', requirements: ['what' => self::SETTINGS], methods: ['POST'])]
    #[IsCsrfTokenValid('submit', '_token')]
    public function setting(
        string $what,
        Request $request,
        #[CurrentUser] User $user,
        UserRepository $users,
        WayBack $back,
        Languages $languages,
    ): Response {
        match ($what) {
            'theme' => $user->switchTheme(),
            'units' => $user->switchUnits(),
            'language' => $user->speak($languages->known($request->request->getString('to'))),
            default => $user->switchShortcuts(),
        };
        $users->add($user);

        return $this->redirect($back->from($request), Response::HTTP_SEE_OTHER);
    }
}
