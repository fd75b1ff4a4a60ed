<?php

declare(strict_types=1);

namespace App\Input;

use Rodrel\Core\Log\Payload\Payload;
use Rodrel\Core\Log\Payload\StepPayload;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpKernel\Event\ResponseEvent;

/**
 * What a device kept while there was no network, and sends on now: how long ago it was made, and an answer for a
 * device instead of a page. `docs/formats/outbox.md`.
 */
final class KeptFor
{
    public const HEADER = 'X-Kept-For';
    /** Older than this is a device whose clock has jumped (s). */
    private const MOST_S = 7 * 86400;

    /**
     * When it was made, by the shop's clock; null for what was sent at once, and for what no device may date: a lead's
     * act, a second look, a signature, and a figure from which a second look is counted.
     */
    public static function madeAt(Request $request, \DateTimeImmutable $now, Payload $says): ?\DateTimeImmutable
    {
        if (!$says::kind()->mayWait() || ($says instanceof StepPayload && null !== $says->figure)) {
            return null;
        }
        $seconds = $request->headers->get(self::HEADER, '');
        if (1 !== preg_match('/^\d{1,7}$/', $seconds)) {
            return null;
        }

        return $now->modify('-'.min(self::MOST_S, (int) $seconds).' seconds');
    }

    public static function is(Request $request): bool
    {
        return $request->headers->has(self::HEADER);
    }

    #[AsEventListener(priority: -10)]
    public function onResponse(ResponseEvent $event): void
    {
        $request = $event->getRequest();
        if (!$event->isMainRequest() || !self::is($request) || !$request->isMethod('POST')) {
            return;
        }
        $status = $event->getResponse()->getStatusCode();
        if (303 === $status) {
            $event->setResponse(new JsonResponse(['taken' => true]));
        } elseif ($status >= 400 && $status < 500) {
            $event->setResponse(new JsonResponse(
                ['taken' => false, 'said' => Refusal::of($request) ?? []],
                $status,
            ));
        }
    }
}
