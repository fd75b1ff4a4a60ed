<?php

declare(strict_types=1);

namespace App\Job;

use App\Text\Say;
use Rodrel\Core\Log\Entry;
use Rodrel\Core\Log\Payload\RepairedPayload;
use Rodrel\Core\Vocabulary\GroupAt;
use Symfony\Component\Clock\ClockInterface;
use Symfony\Component\Uid\Uuid;

/** A vehicle that came back: what was done before where it is suspected now, and what was left untouched there. */
final readonly class CameBack
{
    private const LATELY_DAYS = 730;
    private const DAY_S = 86400;
    /** A suspect below this share is not worth naming as untouched. */
    private const NAMED_FROM = 0.05;
    private const MOST = 3;

    public function __construct(
        private JobRepository $jobs,
        private JobEntryRepository $entries,
        private ClockInterface $clock,
        private Say $say,
    ) {
    }

    /** @return list<string> a sentence for each earlier repair at the place of the leading suspect, the latest first */
    public function of(LoadedJob $loaded): array
    {
        $judgement = $loaded->judgement();
        if (null === $judgement) {
            return [];
        }
        $place = $judgement->leader()->place;
        $before = array_filter(
            $this->before($loaded),
            static fn (Entry $entry): bool => $loaded->layout->reaches($entry->payload->group->place, $place),
        );
        $done = array_map(static fn (Entry $entry): string => (string) $entry->payload->group, $before);
        $untouched = [];
        foreach ($judgement->groups as $group => $share) {
            $at = GroupAt::parse($group);
            $left = !\in_array($group, $done, true) && $loaded->layout->reaches($at->place, $place);
            if ($left && $share >= self::NAMED_FROM) {
                $untouched[] = $this->say->group($at);
            }
        }
        $said = [];
        foreach (\array_slice($before, 0, self::MOST) as $entry) {
            $days = intdiv($this->clock->now()->getTimestamp() - $entry->takenAt->getTimestamp(), self::DAY_S);
            $said[] = $this->say->ui([] === $untouched ? 'bench.came-back' : 'bench.came-back-else', [
                'group' => $this->say->group($entry->payload->group),
                'days' => (string) $days,
                'untouched' => implode(', ', \array_slice($untouched, 0, self::MOST)),
            ]);
        }

        return $said;
    }

    /** @return list<GroupAt> repairs of the vehicle's other jobs of late, the latest first, each once */
    public function repairs(LoadedJob $loaded): array
    {
        $groups = [];
        foreach ($this->before($loaded) as $entry) {
            foreach ($entry->payload->groups() as $group) {
                $groups[(string) $group] = $group;
            }
        }

        return array_values($groups);
    }

    /** @return list<Entry<RepairedPayload>> of the vehicle's other jobs, the latest first */
    private function before(LoadedJob $loaded): array
    {
        $since = $this->clock->now()->getTimestamp() - self::LATELY_DAYS * self::DAY_S;
        $others = array_filter(
            $this->jobs->findBy(['vehicleId' => $loaded->job->vehicleId()], ['openedAt' => 'DESC']),
            static fn (Job $job): bool => !$job->id()->equals($loaded->job->id())
                && $job->openedAt() <= $loaded->job->openedAt(),
        );
        $ids = array_map(static fn (Job $job): Uuid => $job->id(), array_values($others));
        $before = [];
        foreach ($this->entries->storiesOf($ids) as $story) {
            foreach (array_reverse($story->entriesOf(RepairedPayload::class)) as $entry) {
                if ($entry->takenAt->getTimestamp() >= $since) {
                    $before[] = $entry;
                }
            }
        }

        return $before;
    }
}
