<?php

declare(strict_types=1);

namespace App\Job;

use App\Vehicle\Vehicle;
use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Job\Measurements;
use Rodrel\Core\Log\Payload\RepairedPayload;
use Rodrel\Core\Log\Story;
use Rodrel\Core\Vehicle\Measuring;
use Rodrel\Core\Vocabulary\Corner;
use Symfony\Component\Clock\ClockInterface;

/** What the shop itself fitted to a vehicle lately: a job that comes back begins with what was touched before. */
final readonly class FittedBefore
{
    /** So many rows has the intake, and what is older has proved itself (weeks). */
    private const ROWS = 3;
    private const LATELY_WEEKS = 104;
    private const WEEK_S = 604800;
    /** One and a half millimetres a year (estimate; 0.5 to 3). */
    private const WORN_A_WEEK_MM = 0.03;

    public function __construct(
        private JobRepository $jobs,
        private JobEntryRepository $entries,
        private Catalogue $catalogue,
        private ClockInterface $clock,
    ) {
    }

    /**
     * @param list<string> $places that the intake can name
     *
     * @return list<array{part: string, place: string, weeks: string}> rows of the intake, the latest first
     */
    public function rows(Vehicle $vehicle, array $places): array
    {
        $rows = [];
        foreach ($this->jobs->findBy(['vehicleId' => $vehicle->id()], ['openedAt' => 'DESC']) as $job) {
            foreach (array_reverse($this->entries->storyOf($job->id())->entriesOf(RepairedPayload::class)) as $entry) {
                $group = $entry->payload->group;
                $seconds = $this->clock->now()->getTimestamp() - $entry->takenAt->getTimestamp();
                $weeks = intdiv(max(0, $seconds), self::WEEK_S);
                $part = true === ($this->catalogue->parts[$group->id] ?? null);
                if ($part && $weeks <= self::LATELY_WEEKS && \in_array($group->place->id, $places, true)) {
                    $rows[] = ['part' => $group->id, 'place' => $group->place->id, 'weeks' => (string) $weeks];
                }
            }
        }

        return \array_slice($rows, 0, self::ROWS);
    }

    /**
     * What was still to go at each wheel when it was last measured, less what such a vehicle wears in a week (0.03 mm,
     * typical), in mm.
     *
     * @return array<string, string> by corner, as the intake's fields hold it
     */
    public function linings(Vehicle $vehicle): array
    {
        $stories = array_map(
            fn (Job $job): Story => $this->entries->storyOf($job->id()),
            $this->jobs->findBy(['vehicleId' => $vehicle->id()]),
        );
        $measured = Measurements::of($stories, $this->catalogue->checks);
        $left = [];
        foreach (Corner::cases() as $corner) {
            foreach ([[true, Measuring::PadWear], [false, Measuring::Shoe]] as [$disc, $sheet]) {
                $last = $measured->latest($sheet, $corner);
                $lining = $measured->lining($corner, $disc);
                if (null !== $last && null !== $lining) {
                    $weeks = ($this->clock->now()->getTimestamp() - $last->at->getTimestamp()) / self::WEEK_S;
                    $now = max(0.0, $lining->leftMm - self::WORN_A_WEEK_MM * $weeks);
                    $left[$corner->value] = (string) round($now, 1);
                }
            }
        }

        return $left;
    }
}
