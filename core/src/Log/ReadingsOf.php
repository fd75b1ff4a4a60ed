<?php

declare(strict_types=1);

namespace Rodrel\Core\Log;

use Rodrel\Core\Check\Checks;
use Rodrel\Core\Heat\ToldDrive;
use Rodrel\Core\Isolation\HowTaken;
use Rodrel\Core\Isolation\Reading;
use Rodrel\Core\Log\Payload\IntakePayload;
use Rodrel\Core\Log\Payload\Payload;
use Rodrel\Core\Log\Payload\ReadingPayload;
use Rodrel\Core\Prediction\SoundSignature;
use Rodrel\Core\Vehicle\Layout;
use Rodrel\Core\Vocabulary\CheckAt;
use Rodrel\Core\Vocabulary\Corner;
use Rodrel\Core\Vocabulary\Place;

/** An entry of the log as the belief reads it: what the driver said, and what a check showed, on this vehicle. */
final readonly class ReadingsOf
{
    /** @var \WeakMap<Entry<Payload>, list<Reading>> read once: an entry never changes */
    private \WeakMap $read;

    /** @param SoundSignature|null $sound what a sound vehicle shows; null while that is still being computed */
    public function __construct(public Checks $checks, private ?SoundSignature $sound, private Layout $layout)
    {
        $this->read = new \WeakMap();
    }

    /**
     * @param Entry<Payload> $entry
     *
     * @return list<Reading>
     */
    public function entry(Entry $entry): array
    {
        return $this->read[$entry] ??= match (true) {
            $entry->payload instanceof IntakePayload => $this->fromIntake($entry, $entry->payload),
            $entry->payload instanceof ReadingPayload => $this->fromReading($entry, $entry->payload),
            default => [],
        };
    }

    /**
     * @param Entry<Payload> $entry
     *
     * @return list<Reading>
     */
    private function fromIntake(Entry $entry, IntakePayload $intake): array
    {
        // the belief hears of one fault: when the main complaint happens, or the first of which it was said
        $main = '' !== $intake->pattern
            ? $intake->pattern
            : array_values(array_diff($intake->patternsElse, ['']))[0] ?? '';
        $readings = [];
        foreach ($this->checks as $check) {
            $words = array_values(
                array_filter(
                    [...$intake->complaints, $main],
                    static fn (string $word): bool => $check->role->asked
                        && \in_array($word, $check->onlyRow()?->observer->words() ?? [], true),
                ),
            );
            if ([] !== $words) {
                $id = $entry->id.'#'.$check->id;
                $at = CheckAt::of($check->id, Place::vehicle());
                $also = \array_slice($words, 1);
                $readings[] = new Reading($id, $at, ['' => $words[0]], false, $entry->takenAt, [], new HowTaken($also));
            }
        }

        return $readings;
    }

    /** What a sound wheel shows after the drive as it was told, against the catalogue's; 1 where nobody told it. */
    private function hotter(SoundSignature $sound, ReadingPayload $payload, string $row): float
    {
        $check = $this->checks->of($payload->check);
        $told = $check->isHeat() ? ToldDrive::read($payload->measured) : null;
        $corner = Corner::tryFrom($row);
        if (null === $told || null === $corner) {
            return 1.0;
        }
        $known = $this->checks->drives[$check->firstRow()->observer->with()->word('drive')];

        return $told->factor($this->layout, $corner, $known, $sound->median($payload->check, $row));
    }

    /**
     * @param Entry<Payload> $entry
     *
     * @return list<Reading>
     */
    private function fromReading(Entry $entry, ReadingPayload $payload): array
    {
        $outcomes = $payload->outcomes;
        $numbers = [];
        if (null !== $this->sound) {
            $check = $this->checks->of($payload->check);
            foreach ($payload->numbers as $row => $number) {
                $numbers[$row] = $number->figure->core / $this->hotter($this->sound, $payload, $row);
                $outcomes[$row] = $this->sound->wordOf($check, $payload->check, $row, $numbers[$row]);
            }
        }

        return [] === $outcomes ? [] : [new Reading(
            $entry->id,
            $payload->check,
            $outcomes,
            $payload->unsure || true === ToldDrive::read($payload->measured)?->isDoubtful(),
            $entry->takenAt,
            $numbers,
            new HowTaken(covered: $payload->covered),
        )];
    }
}
