<?php

declare(strict_types=1);

namespace App\Watch;

use Monolog\Attribute\AsMonologProcessor;
use Monolog\LogRecord;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpKernel\Event\RequestEvent;
use Symfony\Component\HttpKernel\Event\ResponseEvent;

/** Every answer has a number that stands on the error page and in each line that the log writes for it. */
#[AsMonologProcessor]
final class RequestId
{
    public const ATTRIBUTE = 'request_id';

    private string $id = '';
    private string $route = '';

    #[AsEventListener(priority: 250)]
    public function onRequest(RequestEvent $event): void
    {
        if ($event->isMainRequest()) {
            $this->id = bin2hex(random_bytes(5));
            $this->route = $event->getRequest()->getMethod();
        }
        $event->getRequest()->attributes->set(self::ATTRIBUTE, $this->id);
    }

    #[AsEventListener(event: 'kernel.request', priority: 16)]
    public function onRoute(RequestEvent $event): void
    {
        $route = $event->getRequest()->attributes->get('_route');
        if ($event->isMainRequest() && \is_string($route)) {
            $this->route = $event->getRequest()->getMethod().' '.$route;
        }
    }

    #[AsEventListener]
    public function onResponse(ResponseEvent $event): void
    {
        if ($event->isMainRequest()) {
            $event->getResponse()->headers->set('X-Request-Id', $this->id);
        }
    }

    public function __invoke(LogRecord $record): LogRecord
    {
        $record->extra['request'] = $this->id;
        $record->extra['route'] = $this->route;

        return $record;
    }
}
