<?php

declare(strict_types=1);

namespace App\Job;

use App\Vehicle\Vehicle;
use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Log\Payload\RepairedPayload;
use Symfony\Component\Clock\ClockInterface;

/** What the shop itself fitted to a vehicle lately: a job that comes back begins with what was touched before. */
final readonly class FittedBefore
{
    /** So many rows has the intake, and what is older has proved itself (weeks). */
    private const ROWS = 3;
    private const LATELY_WEEKS = 104;
    private const WEEK_S = 604800;

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
}
