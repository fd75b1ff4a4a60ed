<?php

declare(strict_types=1);

namespace App\Account;

use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Generator\UrlGeneratorInterface;

/** The page that somebody came from, when it is one of ours: a setting throws nobody off his sheet. */
final readonly class WayBack
{
    private const PAGES = '~^/((jobs|vehicles|due|shop|glossary)(/[a-z0-9@-]+)*/?)?$~';

    public function __construct(private UrlGeneratorInterface $urls)
    {
    }

    public function from(Request $request): string
    {
        $parts = parse_url($request->headers->get('Referer', ''));
        $path = \is_array($parts) ? $parts['path'] ?? '' : '';
        $ours = ($parts['host'] ?? '') === $request->getHost() && 1 === preg_match(self::PAGES, $path);

        return $ours && !str_ends_with($path, '/entries') ? $path : $this->urls->generate('jobs');
    }
}
