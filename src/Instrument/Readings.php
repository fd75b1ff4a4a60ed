<?php

declare(strict_types=1);

namespace App\Instrument;

use Doctrine\DBAL\Connection;
use Rodrel\Core\Quantity\InstrumentReading;
use Rodrel\Core\Quantity\Quantity;

/** What instruments sent of late: offered to the field in use, and gone when nobody takes it. */
final readonly class Readings
{
    /** An older reading is of another wheel (s), and nobody needs more of them than these. */
    private const FRESH_S = 60;
    private const KEPT = 500;

    public function __construct(private Connection $database)
    {
    }

    public function keep(InstrumentReading $reading, \DateTimeImmutable $now): void
    {
        $this->database->insert('instrument_reading', [
            'kind' => $reading->measured->quantity->value,
            'typed' => $reading->measured->typed,
            'core' => $reading->measured->core,
            'instrument' => $reading->instrument,
            'taken_at' => $reading->at->format(\DATE_ATOM),
            'come_at' => $now->format(\DATE_ATOM),
        ]);
    }

    /** Throws away what is too old to be taken. */
    public function tidy(): void
    {
        $this->database->executeStatement(
            'DELETE FROM instrument_reading WHERE id <= (SELECT max(id) FROM instrument_reading) - :kept',
            ['kept' => self::KEPT],
        );
    }

    /**
     * The latest of each instrument of a kind.
     *
     * @return list<array{id: int, typed: string, instrument: string, seconds: int}>
     */
    public function fresh(Quantity $kind, \DateTimeImmutable $now): array
    {
        /** @var list<array{id: int, typed: string, instrument: string, come_at: string}> $rows */
        $rows = $this->database->fetchAllAssociative(
            'SELECT DISTINCT ON (instrument) id, typed, instrument, come_at FROM instrument_reading '
                .'WHERE kind = :kind AND come_at > :since ORDER BY instrument, id DESC',
            [
                'kind' => $kind->value,
                'since' => $now->modify('-'.self::FRESH_S.' seconds')->format(\DATE_ATOM),
            ],
        );

        return array_map(
            static fn (array $row): array => [
                'id' => (int) $row['id'],
                'typed' => $row['typed'],
                'instrument' => $row['instrument'],
                'seconds' => max(
                    0,
                    $now->getTimestamp() - (new \DateTimeImmutable($row['come_at']))->getTimestamp(),
                ),
            ],
            $rows,
        );
    }
}
