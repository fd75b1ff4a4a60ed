<?php

declare(strict_types=1);

namespace App\Account;

use App\Input\InvalidInput;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Bundle\SecurityBundle\Security;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsCsrfTokenValid;

/** The tablet goes from hand to hand: by name and PIN, without signing out and in. */
final class HandOverController extends AbstractController
{
    /** A session that a PIN opened decides nothing about the shop itself. */
    public const BY_PIN = 'by_pin';
    private const FROM = 'handed_over_from';

    public function __construct(
        private readonly UserRepository $users,
        private readonly People $people,
        private readonly LoginSlowdown $slowdown,
        private readonly WayBack $back,
    ) {
    }

    #[Route('/hand-over', name: 'hand_over', methods: ['GET'])]
    public function show(Request $request): Response
    {
        $request->getSession()->set(self::FROM, $this->back->from($request));

        return $this->page(null);
    }

    #[Route('/hand-over', name: 'hand_over_to', methods: ['POST'])]
    #[IsCsrfTokenValid('submit', '_token')]
    public function take(Request $request, Security $security): Response
    {
        $login = $request->request->getString('login');
        $user = $this->users->withLogin($login);
        if ($this->slowdown->attempt('pin '.$login) > 0.0) {
            return $this->page('hand-over.slow');
        }
        if (null === $user || !$this->people->isPin($user, $request->request->getString('pin'))) {
            return $this->page(true === $user?->pinIsClosed() ? 'hand-over.closed' : 'hand-over.wrong');
        }
        $this->slowdown->forget('pin '.$login);
        $from = $request->getSession()->get(self::FROM);
        $security->login($user, 'form_login', 'main');
        $request->getSession()->set(self::BY_PIN, true);

        return $this->redirect(\is_string($from) ? $from : $this->generateUrl('jobs'), Response::HTTP_SEE_OTHER);
    }

    #[Route('/me/pin', name: 'my_pin', methods: ['POST'])]
    #[IsCsrfTokenValid('submit', '_token')]
    public function pin(Request $request, #[CurrentUser] User $user): Response
    {
        if ($this->slowdown->attempt('own '.$user->getUserIdentifier()) > 0.0) {
            return $this->page('hand-over.slow');
        }
        try {
            $form = $request->request;
            $this->people->changePin($user, $form->getString('pin'), $form->getString('password'));
        } catch (InvalidInput $wrong) {
            return $this->page($wrong->key, 422, $wrong->parameters);
        }
        $this->slowdown->forget('own '.$user->getUserIdentifier());

        return $this->page('hand-over.set', 200);
    }

    /** Sessions of this person on other devices end with their next page. */
    #[Route('/me/password', name: 'my_password', methods: ['POST'])]
    #[IsCsrfTokenValid('submit', '_token')]
    public function password(Request $request, Security $security, #[CurrentUser] User $user): Response
    {
        if ($this->slowdown->attempt('own '.$user->getUserIdentifier()) > 0.0) {
            return $this->page('hand-over.slow');
        }
        try {
            $form = $request->request;
            $this->people->changeOwnPassword($user, $form->getString('now'), $form->getString('next'));
        } catch (InvalidInput $wrong) {
            return $this->page($wrong->key, 422, $wrong->parameters);
        }
        $this->slowdown->forget('own '.$user->getUserIdentifier());
        $security->login($user, 'form_login', 'main');

        return $this->page('me.password-set', 200);
    }

    /** @param array<string, string> $parameters */
    private function page(?string $said, int $status = 422, array $parameters = []): Response
    {
        return $this->render(
            'account/hand_over.html.twig',
            get_object_vars(new HandOverPage(
                people: $this->users->findBy(['retiredAt' => null], ['name' => 'ASC']),
                said: $said,
                parameters: $parameters,
                wrong: 422 === $status,
            )),
            new Response('', null === $said ? 200 : $status),
        );
    }
}
