<?php

declare(strict_types=1);

namespace App\Input;

use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpFoundation\RequestStack;
use Symfony\Component\HttpKernel\Event\ResponseEvent;
use Twig\Extension\AbstractExtension;
use Twig\TwigFunction;

/**
 * Which draft of the device was just taken in: the page that follows says so, and the device forgets that one and no
 * other. What was refused stays a draft.
 */
final class TakenDraft extends AbstractExtension
{
    private const KEY = 'taken_draft';
    private const LONGEST = 80;

    public function __construct(private readonly RequestStack $requests)
    {
    }

    #[AsEventListener]
    public function onResponse(ResponseEvent $event): void
    {
        $request = $event->getRequest();
        $draft = $request->request->all()['_draft'] ?? '';
        $taken = $event->isMainRequest()
            && $request->isMethod('POST')
            && 303 === $event->getResponse()->getStatusCode()
            && null === Refusal::of($request);
        if ($taken && \is_string($draft) && '' !== $draft && \strlen($draft) <= self::LONGEST) {
            $request->getSession()->set(self::KEY, $draft);
        }
    }

    public function getFunctions(): array
    {
        return [new TwigFunction('taken_draft', $this->once(...))];
    }

    private function once(): string
    {
        $request = $this->requests->getMainRequest();
        $draft = null !== $request && $request->hasPreviousSession() ? $request->getSession()->remove(self::KEY) : '';

        return \is_string($draft) ? $draft : '';
    }
}
