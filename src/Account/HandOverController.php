<?php

declare(strict_types=1);

namespace App\Account;

use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Bundle\SecurityBundle\Security;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\PasswordHasher\Hasher\PasswordHasherFactoryInterface;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsCsrfTokenValid;

/** The tablet goes from hand to hand: by name and PIN, without signing out and in. */
final class HandOverController extends AbstractController
{
    private const PIN = '/^\d{4,8}$/';

    public function __construct(
        private readonly UserRepository $users,
        private readonly PasswordHasherFactoryInterface $hashers,
        private readonly LoginSlowdown $slowdown,
    ) {
    }

    #[Route('/hand-over', name: 'hand_over', methods: ['GET'])]
    public function show(): Response
    {
        return $this->page(null);
    }

    #[Route('/hand-over', name: 'hand_over_to', methods: ['POST'])]
    #[IsCsrfTokenValid('submit', '_token')]
    public function take(Request $request, Security $security): Response
    {
        $login = $request->request->getString('login');
        $user = $this->users->withLogin($login);
        if ($this->slowdown->waits('pin '.$login)) {
            return $this->page('hand-over.slow');
        }
        if (
            null === $user
            || '' === $user->pinHash()
            || !$this->hashers
                ->getPasswordHasher(User::class)
                ->verify($user->pinHash(), $request->request->getString('pin'))
        ) {
            $this->slowdown->note('pin '.$login);

            return $this->page('hand-over.wrong');
        }
        $this->slowdown->forget('pin '.$login);
        $security->login($user, 'form_login', 'main');

        return $this->redirectToRoute('jobs', [], Response::HTTP_SEE_OTHER);
    }

    #[Route('/me/pin', name: 'my_pin', methods: ['POST'])]
    #[IsCsrfTokenValid('submit', '_token')]
    public function pin(Request $request, #[CurrentUser] User $user): Response
    {
        $pin = $request->request->getString('pin');
        if (1 !== preg_match(self::PIN, $pin)) {
            return $this->page('hand-over.short');
        }
        $user->changePin($this->hashers->getPasswordHasher(User::class)->hash($pin));
        $this->users->add($user);

        return $this->page('hand-over.set', 200);
    }

    private function page(?string $said, int $status = 422): Response
    {
        return $this->render(
            'account/hand_over.html.twig',
            get_object_vars(new HandOverPage(
                people: $this->users->findBy([], ['name' => 'ASC']),
                said: $said,
                wrong: 422 === $status,
            )),
            new Response('', null === $said ? 200 : $status),
        );
    }
}
