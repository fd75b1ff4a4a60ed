<?php

declare(strict_types=1);

namespace App\Desk;

use Doctrine\DBAL\Connection;
use Symfony\Component\Clock\ClockInterface;
use Symfony\Component\Uid\Uuid;

/** Codes of eight digits that open the wall view of one job until the working day is over; only their mark is kept. */
final readonly class WallCodes
{
    private const HOURS = 12;

    public function __construct(
        private Connection $database,
        private ClockInterface $clock,
        private string $appSecret,
    ) {
    }

    public function make(Uuid $job): string
    {
        $code = str_pad((string) random_int(0, 99_999_999), 8, '0', \STR_PAD_LEFT);
        $now = $this->clock->now();
        $this->database->executeStatement('DELETE FROM wall_code WHERE until < ?', [$now->format(\DATE_ATOM)]);
        $this->database->insert('wall_code', [
            'code' => $this->mark($code),
            'job_id' => $job->toRfc4122(),
            'until' => $now->modify('+'.self::HOURS.' hours')->format(\DATE_ATOM),
        ]);

        return $code;
    }

    /** The job's id; null for a code that is unknown or over. */
    public function job(string $typed): ?string
    {
        $job = $this->database->fetchOne('SELECT job_id FROM wall_code WHERE code = ? AND until > ?', [
            $this->mark((string) preg_replace('/\D/', '', $typed)),
            $this->clock->now()->format(\DATE_ATOM),
        ]);

        return \is_string($job) ? $job : null;
    }

    private function mark(string $code): string
    {
        return hash_hmac('sha256', $code, $this->appSecret);
    }
}
