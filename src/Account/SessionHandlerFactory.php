<?php

declare(strict_types=1);

namespace App\Account;

use Doctrine\DBAL\Connection;
use Symfony\Component\HttpFoundation\Session\Storage\Handler\PdoSessionHandler;

/** Sessions in PostgreSQL over the connection that is open anyway, so that any web node can serve any request. */
final readonly class SessionHandlerFactory
{
    public static function create(Connection $connection): PdoSessionHandler
    {
        $pdo = $connection->getNativeConnection();

        return new PdoSessionHandler(
            $pdo instanceof \PDO ? $pdo : throw new \LogicException('PostgreSQL is reached through PDO.'),
            ['db_table' => 'sessions', 'lock_mode' => PdoSessionHandler::LOCK_NONE],
        );
    }
}
