<?php

declare(strict_types=1);

namespace App\Prediction;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use Symfony\Component\Clock\ClockInterface;

/** Who gives an order to the worker: of pages that want the same at once one does, and again where it was lost. */
final readonly class Orders
{
    /** An order not finished after so long was lost with its worker and is given again (s). */
    private const LOST_AFTER_S = 120;

    public function __construct(private Connection $database, private ClockInterface $clock)
    {
    }

    /**
     * @param string $key of what is to be computed
     * @param string $preset kind of vehicle, for whoever looks into the table
     *
     * @return bool whether it is ours to give
     */
    public function take(string $key, string $preset): bool
    {
        $now = $this->clock->now();

        return 0 < $this->database->executeStatement(
            'INSERT INTO signature AS s (hash, preset, done, total, asked_at) VALUES (:key, :preset, 0, 0, :now)
             ON CONFLICT (hash) DO UPDATE SET asked_at = :now WHERE s.data IS NULL AND s.asked_at <= :lost',
            [
                'key' => $key,
                'preset' => $preset,
                'now' => $now->format(\DATE_ATOM),
                'lost' => $now->modify('-'.self::LOST_AFTER_S.' seconds')->format(\DATE_ATOM),
            ],
        );
    }

    /**
     * Whether some of these are still being computed, by a worker that was heard of lately.
     *
     * @param list<string> $keys
     */
    public function areAwaited(array $keys): bool
    {
        return 0 < $this->database->fetchOne(
            'SELECT count(*) FROM signature WHERE hash IN (:keys) AND data IS NULL AND asked_at > :lost',
            [
                'keys' => $keys,
                'lost' => $this->clock->now()->modify('-'.self::LOST_AFTER_S.' seconds')->format(\DATE_ATOM),
            ],
            ['keys' => ArrayParameterType::STRING],
        );
    }
}
