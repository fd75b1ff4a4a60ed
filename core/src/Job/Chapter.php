<?php

declare(strict_types=1);

namespace Rodrel\Core\Job;

use Rodrel\Core\Catalogue;
use Rodrel\Core\Check\Lift;
use Rodrel\Core\Isolation\Field;
use Rodrel\Core\Isolation\Reading;

/** One epoch of a job: from one change of the vehicle to the next. */
final readonly class Chapter
{
    /** Kelvins over the air; an ordinary drive leaves a front rotor at about half of it. */
    private const SCALDING_K = 200.0;

    /** @param list<Entry> $entries */
    private function __construct(
        public int $number,
        public array $entries,
        public Lift $lift,
        public bool $stands,
        public bool $cool,
        public bool $drivenIn,
    ) {
    }

    /** @param list<Entry> $entries */
    public static function of(int $number, array $entries, Lift $lift, bool $stands): self
    {
        $cool = true;
        $drivenIn = false;
        foreach ($entries as $entry) {
            if (Kind::Lift === $entry->kind) {
                $lift = Lift::tryFrom($entry->shape()->text('to')) ?? throw $entry->shape()->wrong('to', 'ground, raised or wheels-off is expected');
                $stands = Lift::Ground !== $lift && $entry->shape()->flag('stands', $stands);
            } elseif (Kind::Intake === $entry->kind) {
                $cool = !$entry->shape()->flag('hot');
                $drivenIn = $entry->shape()->flag('driven_in');
            } elseif (Kind::Reading === $entry->kind && self::isScalding($entry)) {
                $cool = false;
            } elseif (Kind::Cool === $entry->kind) {
                $cool = true;
                $drivenIn = false;
            }
        }

        return new self($number, $entries, $lift, $stands, $cool, $drivenIn);
    }

    /** A wheel was measured so hot that nobody works at it yet. */
    private static function isScalding(Entry $entry): bool
    {
        if (!str_starts_with($entry->shape()->text('check'), 'heat-')) {
            return false;
        }
        foreach ($entry->shape()->each('numbers') as $number) {
            if ($number->number('core') > self::SCALDING_K) {
                return true;
            }
        }

        return false;
    }

    /** @return list<Entry> */
    public function all(Kind $kind): array
    {
        return array_values(array_filter($this->entries, static fn (Entry $entry): bool => $entry->kind === $kind));
    }

    public function has(Kind $kind): bool
    {
        return [] !== $this->all($kind);
    }

    /**
     * The readings of this epoch, complaint and pattern of the intake among them. Without a field typed numbers
     * have no word yet and are left out.
     *
     * @return list<Reading>
     */
    public function readings(?Field $field): array
    {
        $readings = [];
        foreach ($this->entries as $entry) {
            if (Kind::Intake === $entry->kind) {
                array_push($readings, ...$this->fromIntake($entry));
            } elseif (Kind::Reading === $entry->kind) {
                $reading = $this->fromEntry($entry, $field);
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
     * @return list<string>
     */
    public function openedAt(Catalogue $catalogue): array
    {
        $places = [];
        foreach ($this->all(Kind::Reading) as $entry) {
            $check = $entry->shape()->text('check');
            if (null !== $catalogue->check($check)->opens) {
                $places[] = explode('@', $check)[1];
            }
        }

        return array_values(array_unique($places));
    }

    /** @return list<Reading> */
    private function fromIntake(Entry $entry): array
    {
        $readings = [];
        foreach (['complaint', 'pattern'] as $check) {
            $word = $entry->shape()->text($check, '');
            if ('' !== $word) {
                $readings[] = new Reading($entry->id.'#'.$check, $check.'@vehicle', ['' => $word], false, $entry->takenAt);
            }
        }

        return $readings;
    }

    private function fromEntry(Entry $entry, ?Field $field): ?Reading
    {
        $shape = $entry->shape();
        $check = $shape->text('check');
        $outcomes = [];
        foreach ($shape->raw('outcomes') as $row => $word) {
            $outcomes[(string) $row] = \is_string($word) ? $word : throw $shape->wrong('outcomes', 'a word per row is expected');
        }
        $numbers = [];
        foreach ($shape->each('numbers') as $row => $number) {
            if (null !== $field) {
                $numbers[$row] = $number->number('core');
                $outcomes[$row] = $field->wordOf($check, $row, $numbers[$row]);
            }
        }

        return [] === $outcomes ? null : new Reading($entry->id, $check, $outcomes, $shape->flag('unsure'), $entry->takenAt, $numbers);
    }
}
