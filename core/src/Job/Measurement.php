<?php

declare(strict_types=1);

namespace Rodrel\Core\Job;

use Rodrel\Core\Check\Checks;
use Rodrel\Core\Log\Entry;
use Rodrel\Core\Log\Payload\ReadingPayload;
use Rodrel\Core\Quantity\InvalidMeasure;
use Rodrel\Core\Quantity\Measured;
use Rodrel\Core\Quantity\Quantity;
use Rodrel\Core\Quantity\Unit;
use Rodrel\Core\Vehicle\Measuring;
use Rodrel\Core\Vocabulary\Corner;

/** What was measured at a wheel, at one time. Lengths in mm. */
final readonly class Measurement
{
    /** @param array<string, float> $mm by field of the sheet */
    private function __construct(
        public \DateTimeImmutable $at,
        public Measuring $sheet,
        public Corner $corner,
        public array $mm,
        public ?int $km,
    ) {
    }

    /** @param Entry<ReadingPayload> $entry */
    public static function from(Entry $entry, Checks $checks): ?self
    {
        $check = $entry->payload->check;
        $sheet = $checks->has($check->id) ? $checks->of($check)->role->measures : null;
        $corner = $check->place->corner();
        if (null === $sheet || null === $corner) {
            return null;
        }
        $mm = [];
        foreach ($sheet->fields() as $field) {
            $typed = $entry->payload->measured[$field] ?? '';
            try {
                $mm += '' === $typed
                    ? []
                    : [$field => Measured::parse(Quantity::Length, $typed, Unit::Millimetre)->core];
            } catch (InvalidMeasure) {
                continue; // of a foreign file; what is no figure is shown in its log and nowhere else
            }
        }
        $km = $entry->payload->measured['km'] ?? '';

        return [] === $mm ? null : new self($entry->takenAt, $sheet, $corner, $mm, ctype_digit($km) ? (int) $km : null);
    }

    /** The figure that decides: the thinnest lining or rotor, the widest drum. */
    public function deciding(): float
    {
        return match ($this->sheet) {
            Measuring::Limit => $this->mm['measured'] ?? 0.0,
            Measuring::Across => max([0.0, ...array_values($this->mm)]),
            Measuring::Round => min([\INF, ...array_values(array_filter(
                $this->mm,
                static fn (string $field): bool => str_starts_with($field, 't'),
                \ARRAY_FILTER_USE_KEY,
            ))]),
            Measuring::Stored => $this->mm['counted'] ?? 0.0,
            Measuring::PadWear, Measuring::Shoe => min([\INF, ...array_values($this->mm)]),
        };
    }
}
