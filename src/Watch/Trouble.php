<?php

declare(strict_types=1);

namespace App\Watch;

use Doctrine\DBAL\Exception\ConnectionException;
use Psr\Log\LoggerInterface;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Event\ExceptionEvent;
use Twig\Environment;

/** A full disk and a database that does not answer are said in words, on a page that needs neither. */
final readonly class Trouble
{
    private const NO_ROOM = ['53100', '53000', '53200'];
    /** Admin shutdown, crash shutdown, cannot connect now, connection failures, too many connections. */
    private const NO_ANSWER = ['57P01', '57P02', '57P03', '08000', '08001', '08003', '08006', '53300'];
    private const SAID = '/closed the connection|no connection to the server|could not connect|connection to server/';
    private const AGAIN_AFTER_S = '5';

    public function __construct(private Environment $twig, private LoggerInterface $logger)
    {
    }

    #[AsEventListener(priority: 100)]
    public function onException(ExceptionEvent $event): void
    {
        $what = $this->what($event->getThrowable());
        if (null === $what) {
            return;
        }
        try {
            $this->logger->critical('trouble: '.$what, ['exception' => $event->getThrowable()]);
        } catch (\Throwable) {
            // a full disk takes no log either
        }
        $event->setResponse(new Response(
            $this->twig->render('error/trouble.html.twig', ['what' => $what]),
            'full' === $what ? Response::HTTP_INSUFFICIENT_STORAGE : Response::HTTP_SERVICE_UNAVAILABLE,
            ['Retry-After' => self::AGAIN_AFTER_S],
        ));
    }

    /** @return 'full'|'database'|null null where it is something else */
    private function what(\Throwable $thrown): ?string
    {
        for ($cause = $thrown; null !== $cause; $cause = $cause->getPrevious()) {
            $state = $cause instanceof \PDOException ? (string) ($cause->errorInfo[0] ?? $cause->getCode()) : '';
            $said = $cause->getMessage();
            if (\in_array($state, self::NO_ROOM, true) || str_contains($said, 'No space left')) {
                return 'full';
            }
            if (
                $cause instanceof ConnectionException
                || \in_array($state, self::NO_ANSWER, true)
                || ($cause instanceof \PDOException
                    && 1 === preg_match(self::SAID, $said))
            ) {
                return 'database';
            }
        }

        return null;
    }
}
