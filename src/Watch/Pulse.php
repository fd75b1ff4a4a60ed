<?php

declare(strict_types=1);

namespace App\Watch;

use Doctrine\DBAL\Connection;
use Symfony\Component\Clock\ClockInterface;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\Messenger\Event\WorkerRunningEvent;

/** How web, database, worker, disk and backup are, each by itself. */
final class Pulse
{
    private const EVERY_S = 20;
    /** A worker that has not been heard of for so long is not there (it may compute one vehicle for a minute). */
    private const SILENT_S = 180;
    /** A backup older than this is said to be old (s): a nightly one that failed twice. */
    private const OLD_BACKUP_S = 2 * 86400;
    private const LEAST_ROOM_MB = 200;

    private int $beaten = 0;

    public function __construct(
        private readonly Connection $database,
        private readonly ClockInterface $clock,
        private readonly string $projectDir,
    ) {
    }

    #[AsEventListener]
    public function beat(WorkerRunningEvent $event): void
    {
        if (time() - $this->beaten < self::EVERY_S) {
            return;
        }
        $this->beaten = time();
        $this->database->executeStatement(
            "INSERT INTO shop_mark (name, data) VALUES ('worker', :at) ON CONFLICT (name) DO UPDATE SET data = :at",
            ['at' => (string) $this->beaten],
        );
    }

    public function databaseAnswers(): bool
    {
        return '1' === (string) $this->database->fetchOne('SELECT 1');
    }

    /** @return array<string, array{well: bool, said: string}> by what is looked at */
    public function all(): array
    {
        $now = $this->clock->now()->getTimestamp();
        $beat = $this->database->fetchOne("SELECT data FROM shop_mark WHERE name = 'worker'");
        $silent = is_numeric($beat) ? max(0, time() - (int) $beat) : null;
        $queued = 'SELECT count(*) FROM messenger_messages WHERE delivered_at IS NULL';
        $waiting = (int) $this->database->fetchOne($queued);
        $free = (int) ((disk_free_space($this->projectDir.'/var') ?: 0) / 1e6);
        $file = $this->projectDir.'/var/run/backup';
        $backup = is_file($file) ? $now - (int) file_get_contents($file) : null;

        return [
            'web' => ['well' => true, 'said' => 'answers'],
            'database' => ['well' => $this->databaseAnswers(), 'said' => 'answers'],
            'worker' => [
                'well' => null !== $silent && $silent < self::SILENT_S,
                'said' => null === $silent ? 'never heard of' : "heard of $silent s ago, $waiting waiting",
            ],
            'disk' => ['well' => $free > self::LEAST_ROOM_MB, 'said' => "$free MB free"],
            'backup' => [
                'well' => null !== $backup && $backup < self::OLD_BACKUP_S,
                'said' => null === $backup ? 'none made here' : \sprintf('%.1f h old', $backup / 3600),
            ],
        ];
    }
}
