<?php

declare(strict_types=1);

namespace App\Watch;

use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** For whoever watches the shop: one word for everybody, the details for admins. */
final readonly class AliveController
{
    public function __construct(private Pulse $pulse)
    {
    }

    #[Route('/alive', name: 'alive', methods: ['GET'])]
    public function alive(): Response
    {
        return new Response($this->pulse->databaseAnswers() ? 'alive' : '', headers: ['Content-Type' => 'text/plain']);
    }

    #[Route('/alive/details', name: 'alive_details', methods: ['GET'])]
    #[IsGranted('ROLE_ADMIN')]
    public function details(): JsonResponse
    {
        $all = $this->pulse->all();
        $ill = array_filter($all, static fn (array $one): bool => !$one['well']);

        return new JsonResponse(
            ['format' => 1, 'well' => [] === $ill, 'parts' => $all],
            isset($ill['database']) ? Response::HTTP_SERVICE_UNAVAILABLE : Response::HTTP_OK,
        );
    }
}
