<?php

declare(strict_types=1);

namespace App\Watch;

use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** What a device needs to go on without a network: the worker between pages and shop, and the page of last resort. */
final class OfflineController extends AbstractController
{
    public function __construct(private readonly string $projectDir)
    {
    }

    #[Route('/worker.js', name: 'worker', methods: ['GET'])]
    public function worker(): Response
    {
        return new Response((string) file_get_contents($this->projectDir.'/assets/worker/worker.js'), 200, [
            'Content-Type' => 'text/javascript; charset=utf-8',
        ]);
    }

    #[Route('/no-network', name: 'no_network', methods: ['GET'])]
    public function none(): Response
    {
        return $this->render('error/no_network.html.twig');
    }
}
