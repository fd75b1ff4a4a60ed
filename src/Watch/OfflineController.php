<?php

declare(strict_types=1);

namespace App\Watch;

use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\Asset\Packages;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** What a device needs to go on without a network: the worker between pages and shop, and the page of last resort. */
final class OfflineController extends AbstractController
{
    /** The colour of a page by day. */
    private const PAPER = '#f4f1ea';

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

    /** What a device wants to know to keep Rodrel beside its other applications. */
    #[Route('/app.webmanifest', name: 'manifest', methods: ['GET'])]
    public function manifest(Packages $assets): Response
    {
        $icon = static fn (string $file, string $sizes, string $type): array => [
            'src' => $assets->getUrl('images/'.$file),
            'sizes' => $sizes,
            'type' => $type,
            'purpose' => 'image/png' === $type ? 'any maskable' : 'any',
        ];

        return new Response((string) json_encode([
            'name' => 'Rodrel',
            'short_name' => 'Rodrel',
            'start_url' => $this->generateUrl('jobs'),
            'scope' => '/',
            'display' => 'standalone',
            'background_color' => self::PAPER,
            'theme_color' => self::PAPER,
            'icons' => [
                $icon('icon-192.png', '192x192', 'image/png'),
                $icon('icon-512.png', '512x512', 'image/png'),
                $icon('icon.svg', 'any', 'image/svg+xml'),
            ],
        ], \JSON_UNESCAPED_SLASHES | \JSON_UNESCAPED_UNICODE), 200, [
            'Content-Type' => 'application/manifest+json; charset=utf-8',
        ]);
    }

    #[Route('/no-network', name: 'no_network', methods: ['GET'])]
    public function none(): Response
    {
        return $this->render('error/no_network.html.twig');
    }
}
