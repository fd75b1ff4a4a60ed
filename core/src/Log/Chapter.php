<?php

declare(strict_types=1);

namespace Rodrel\Core\Log;

use Rodrel\Core\Check\Checks;
use Rodrel\Core\Heat\ToldDrive;
use Rodrel\Core\Isolation\CarState;
use Rodrel\Core\Isolation\HowTaken;
use Rodrel\Core\Isolation\Reading;
use Rodrel\Core\Log\Payload\CoolPayload;
use Rodrel\Core\Log\Payload\IntakePayload;
use Rodrel\Core\Log\Payload\LiftPayload;
use Rodrel\Core\Log\Payload\Payload;
use Rodrel\Core\Log\Payload\ReadingPayload;
use Rodrel\Core\Log\Payload\TogetherPayload;
use Rodrel\Core\Prediction\SoundSignature;
use Rodrel\Core\Vehicle\Layout;
use Rodrel\Core\Vehicle\Lift;
use Rodrel\Core\Vocabulary\ApartAt;
use Rodrel\Core\Vocabulary\CheckAt;
use Rodrel\Core\Vocabulary\Corner;
use Rodrel\Core\Vocabulary\Place;

/** One epoch of a job: from one change of the vehicle to the next. */
final readonly class Chapter
{
    /**
     * Over the air: nobody works at such a wheel yet; an ordinary drive leaves a front rotor at about half of it (K;
     * estimate).
     */
    public const SCALDING_K = 200.0;

    /**
     * @param list<Entry<Payload>> $entries
     * @param bool $stands confirmed since the vehicle was raised
     */
    private function __construct(public int $number, public array $entries, public Lift $lift, public bool $stands)
    {
    }

    /** @param list<Entry<Payload>> $entries */
    public static function of(int $number, array $entries, Lift $lift, bool $stands): self
    {
        foreach ($entries as $entry) {
            if ($entry->payload instanceof LiftPayload) {
                $lift = $entry->payload->to;
                $stands = Lift::Ground !== $lift && $entry->payload->stands;
            }
        }

        return new self($number, $entries, $lift, $stands);
    }

    /** @param bool $opened the system was opened and is not proved closed */
    public function carState(Checks $checks, bool $opened): CarState
    {
        $cool = true;
        $drivenIn = false;
        $last = null;
        $apart = [];
        foreach ($this->entries as $entry) {
            if ($entry->payload instanceof IntakePayload) {
                $cool = !$entry->payload->arrival->hot;
                $drivenIn = $entry->payload->arrival->drivenIn;
            } elseif ($entry->payload instanceof ReadingPayload && $checks->has($entry->payload->check->id)) {
                $cool = $cool && !self::isScalding($entry->payload, $checks);
                $check = $checks->of($entry->payload->check);
                $last = $check;
                if (null !== $check->demand->wake->apart) {
                    $at = ApartAt::of($check->demand->wake->apart, $entry->payload->check->place);
                    $apart[(string) $at] = $check->demand->wake->backMinutes;
                }
            } elseif ($entry->payload instanceof TogetherPayload) {
                unset($apart[(string) $entry->payload->what]);
            } elseif ($entry->payload instanceof CoolPayload) {
                $cool = true;
                $drivenIn = false;
            }
        }

        return new CarState($this->lift, $this->stands, $opened, $cool, $drivenIn, $last, $apart);
    }

    /**
     * @template T of Payload
     *
     * @param class-string<T> $type
     *
     * @return list<Entry<T>>
     */
    public function entriesOf(string $type): array
    {
        return Story::only($this->entries, $type);
    }

    /**
     * @template T of Payload
     *
     * @param class-string<T> $type
     *
     * @return list<T>
     */
    public function said(string $type): array
    {
        return array_map(static fn (Entry $entry): Payload => $entry->payload, $this->entriesOf($type));
    }

    public function has(Kind $kind): bool
    {
        foreach ($this->entries as $entry) {
            if ($entry->kind === $kind) {
                return true;
            }
        }

        return false;
    }

    /**
     * The readings of this epoch, what the driver said among them. Without knowing what a sound vehicle shows typed
     * numbers have no word yet and are left out.
     *
     * @return list<Reading>
     */
    public function readings(Checks $checks, ?SoundSignature $sound, Layout $layout): array
    {
        $readings = [];
        foreach ($this->entries as $entry) {
            if ($entry->payload instanceof IntakePayload) {
                array_push($readings, ...$this->fromIntake($entry, $entry->payload, $checks));
            } elseif ($entry->payload instanceof ReadingPayload) {
                $reading = $this->fromEntry($entry, $entry->payload, $checks, $sound, $layout);
                if (null !== $reading) {
                    $readings[] = $reading;
                }
            }
        }

        return Reading::standing($readings);
    }

    /**
     * The places whose joints were opened for a reading in this epoch: air may be there now.
     *
     * @return list<Place>
     */
    public function openedAt(Checks $checks): array
    {
        $places = [];
        foreach ($this->entriesOf(ReadingPayload::class) as $entry) {
            $check = $entry->payload->check;
            if (null !== $checks->of($check)->demand->wake->opens) {
                $places[$check->place->id] = $check->place;
            }
        }

        return array_values($places);
    }

    /** A wheel was measured so hot that nobody works at it yet. */
    private static function isScalding(ReadingPayload $reading, Checks $checks): bool
    {
        if (!$checks->has($reading->check->id) || !$checks->of($reading->check)->isHeat()) {
            return false;
        }
        foreach ($reading->numbers as $number) {
            if ($number->figure->core > self::SCALDING_K) {
                return true;
            }
        }

        return false;
    }

    /**
     * @param Entry<Payload> $entry
     *
     * @return list<Reading>
     */
    private function fromIntake(Entry $entry, IntakePayload $intake, Checks $checks): array
    {
        // the belief hears of one fault: when the main complaint happens, or the first of which it was said
        $main = '' !== $intake->pattern
            ? $intake->pattern
            : array_values(array_diff($intake->patternsElse, ['']))[0] ?? '';
        $readings = [];
        foreach ($checks as $check) {
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
    private static function hotter(
        Checks $checks,
        SoundSignature $sound,
        Layout $layout,
        ReadingPayload $payload,
        string $row,
    ): float {
        $check = $checks->of($payload->check);
        $told = $check->isHeat() ? ToldDrive::read($payload->measured) : null;
        $corner = Corner::tryFrom($row);
        if (null === $told || null === $corner) {
            return 1.0;
        }
        $known = $checks->drives[$check->firstRow()->observer->with()->word('drive')];

        return $told->factor($layout, $corner, $known, $sound->median($payload->check, $row));
    }

    /** @param Entry<Payload> $entry */
    private function fromEntry(
        Entry $entry,
        ReadingPayload $payload,
        Checks $checks,
        ?SoundSignature $sound,
        Layout $layout,
    ): ?Reading {
        $outcomes = $payload->outcomes;
        $numbers = [];
        if (null !== $sound) {
            $check = $checks->of($payload->check);
            foreach ($payload->numbers as $row => $number) {
                $numbers[$row] = $number->figure->core
                    / self::hotter($checks, $sound, $layout, $payload, $row);
                $outcomes[$row] = $sound->wordOf($check, $payload->check, $row, $numbers[$row]);
            }
        }

        return [] === $outcomes
            ? null
            : new Reading(
                $entry->id,
                $payload->check,
                $outcomes,
                $payload->unsure || true === ToldDrive::read($payload->measured)?->isDoubtful(),
                $entry->takenAt,
                $numbers,
                new HowTaken(covered: $payload->covered),
            );
    }
}
