<?php

declare(strict_types=1);

namespace Rodrel\Core\Job;

use Rodrel\Core\Check\Check;
use Rodrel\Core\Check\Station;
use Rodrel\Core\Isolation\CarState;
use Rodrel\Core\Isolation\Times;
use Rodrel\Core\Isolation\Way;
use Rodrel\Core\Log\Chapter;
use Rodrel\Core\Log\Payload\ReadingPayload;
use Rodrel\Core\Vehicle\Lift;
use Rodrel\Core\Vocabulary\Place;

/**
 * What the checks of a job took until its first repair, and what the same evidence takes in the book's order: every
 * check that the book has before the last one that was made, at the wheels that were in question.
 */
final readonly class PathTaken
{
    private function __construct(
        public float $minutes,
        public int $checks,
        public float $bookMinutes,
        public int $bookChecks,
    ) {
    }

    public static function of(JobState $state, Times $times): self
    {
        $catalogue = $state->catalogue();
        $made = self::made($state, $state->story->chapters[0]);
        $wheels = [];
        foreach ($made as [, $place]) {
            $wheels[$place->id] = $place;
        }
        $last = -1;
        foreach ($made as [$check]) {
            $last = max($last, (int) array_search($check->id, $catalogue->book, true));
        }
        $book = [];
        foreach ([] === $made ? [] : \array_slice($catalogue->book, 0, $last + 1) as $id) {
            $check = $catalogue->checks->of($id);
            $drivenIn = true === $state->story->intake()?->arrival->drivenIn;
            if (\in_array('arrival', $check->demand->gates, true) && !$drivenIn) {
                continue;
            }
            foreach ($check->everywhere($state->layout()) as $at) {
                if (isset($wheels[$at->place->id]) || $at->place->isVehicle()) {
                    $book[] = [$check, $at->place];
                }
            }
        }
        $stations = $catalogue->stations;

        return new self(
            self::minutes($made, $times, $stations),
            \count($made),
            self::minutes($book, $times, $stations),
            \count($book),
        );
    }

    /** What the checks of the whole job took so far, whatever was repaired between; the proof's left out. */
    public static function minutesSoFar(JobState $state, Times $times): float
    {
        $minutes = 0.0;
        foreach ($state->story->chapters as $chapter) {
            $minutes += self::minutes(self::made($state, $chapter), $times, $state->catalogue()->stations);
        }

        return $minutes;
    }

    /** @return list<array{Check, Place}> */
    private static function made(JobState $state, Chapter $chapter): array
    {
        $made = [];
        foreach ($chapter->said(ReadingPayload::class) as $reading) {
            $check = $state->catalogue()->checks->of($reading->check);
            if (!$check->role->asked && !$check->role->proof) {
                $made[] = [$check, $reading->check->place];
            }
        }

        return $made;
    }

    /**
     * @param list<array{Check, Place}> $path
     * @param array<string, Station> $stations
     */
    private static function minutes(array $path, Times $times, array $stations): float
    {
        $minutes = 0.0;
        $car = new CarState(Lift::Ground);
        foreach ($path as [$check]) {
            $minutes += $check->demand->minutes + (new Way($car, $times, $stations))->minutes($check);
            $lift = Lift::Any === $check->demand->lift ? $car->lift : $check->demand->lift;
            $higher = $lift->level() >= $car->lift->level() || Lift::Ground === $lift;
            $opened = $car->opened || null !== $check->demand->wake->opens;
            $car = new CarState($higher ? $lift : $car->lift, true, $opened, true, false, $check);
        }

        return $minutes;
    }
}
