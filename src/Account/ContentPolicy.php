<?php

declare(strict_types=1);

namespace App\Account;

use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpKernel\Event\RequestEvent;
use Symfony\Component\HttpKernel\Event\ResponseEvent;

/**
 * A strict policy on every page: own scripts, styles, fonts and pictures, nothing inline but the import map's nonce.
 */
final class ContentPolicy
{
    private string $nonce = '';

    #[AsEventListener(priority: 200)]
    public function onRequest(RequestEvent $event): void
    {
        // an error page is a second request within the first: it must carry the nonce of the answer that goes out
        $this->nonce = $event->isMainRequest() ? bin2hex(random_bytes(12)) : $this->nonce;
        $event->getRequest()->attributes->set('csp_nonce', $this->nonce);
    }

    #[AsEventListener]
    public function onResponse(ResponseEvent $event): void
    {
        if (!$event->isMainRequest()) {
            return;
        }
        $nonce = $this->nonce;
        $headers = $event->getResponse()->headers;
        $headers->set(
            'Content-Security-Policy',
            "default-src 'none'; script-src 'self' 'nonce-$nonce'; style-src 'self'; img-src 'self' data:; "
                ."font-src 'self'; connect-src 'self'; manifest-src 'self'; form-action 'self'; base-uri 'none'; "
                ."frame-ancestors 'none'",
        );
        if ($event->getRequest()->isSecure()) {
            $headers->set('Strict-Transport-Security', 'max-age=31536000');
        }
        $headers->set('X-Content-Type-Options', 'nosniff');
        $headers->set('Referrer-Policy', 'same-origin');
        $headers->set('Permissions-Policy', 'geolocation=(), microphone=(), camera=(self)');
        $headers->set('Cross-Origin-Opener-Policy', 'same-origin');
        if (!$headers->has('ETag')) {
            $headers->set('Cache-Control', 'no-store, private');
        }
    }
}
