<?php

declare(strict_types=1);

namespace Rodrel\Core\Log;

use Rodrel\Core\Log\Payload\ConfirmPayload;
use Rodrel\Core\Log\Payload\CountersignPayload;
use Rodrel\Core\Log\Payload\FiguresPayload;
use Rodrel\Core\Log\Payload\FindingPayload;
use Rodrel\Core\Log\Payload\IntakePayload;
use Rodrel\Core\Log\Payload\ItemPayload;
use Rodrel\Core\Log\Payload\LinePayload;
use Rodrel\Core\Log\Payload\Payload;
use Rodrel\Core\Log\Payload\ReadingPayload;
use Rodrel\Core\Log\Payload\RepairedPayload;
use Rodrel\Core\Log\Payload\RoundPayload;
use Rodrel\Core\Log\Payload\SettledPayload;
use Rodrel\Core\Log\Payload\StepPayload;
use Rodrel\Core\Log\Payload\UndoPayload;
use Rodrel\Core\Vehicle\Lift;

/**
 * What a job's log says, in order, one chapter per epoch; without what was taken back, and without what came in from
 * elsewhere and would open a gate, until a lead here has countersigned it.
 */
final readonly class Story
{
    /**
     * @param non-empty-list<Chapter> $chapters standing entries by seq, one chapter per epoch; a round is followed by
     *     its readings, `id#1` on
     * @param list<Entry<Payload>> $undone
     * @param list<Entry<Payload>> $asleep waiting for a countersignature
     * @param array<string, true> $cancelled ids of what was taken back
     * @param Entries $written all that ever were
     * @param list<string> $keeping ids of checks whose readings let a signature stand
     * @param array<string, Entry<ItemPayload>> $openItems by id
     */
    private function __construct(
        public array $chapters,
        public array $undone,
        public array $asleep,
        private array $cancelled,
        private Entries $written,
        private array $keeping,
        private array $openItems,
    ) {
    }

    /**
     * @param list<Entry<Payload>> $log in any order
     * @param list<string> $keeping ids of checks that a sheet or a proof asks for: their readings let a signature stand
     */
    public static function of(array $log, array $keeping = []): self
    {
        $log = self::inOrder($log);
        $cancelled = self::cancelled($log);
        $signed = [];
        foreach ($log as $entry) {
            if (
                $entry->payload instanceof CountersignPayload
                && !isset($cancelled[$entry->id])
                && null === $entry->claim
            ) {
                $signed[$entry->payload->entry] = true;
            }
        }
        $undone = $asleep = [];
        $epochs = [[]];
        foreach ($log as $entry) {
            if (isset($cancelled[$entry->id])) {
                array_push($undone, ...self::expanded($entry));
                continue;
            }
            if ($entry->wantsCountersigning() && !isset($signed[$entry->id])) {
                $asleep[] = $entry;
                continue;
            }
            if ($entry->payload instanceof UndoPayload) {
                continue;
            }
            if ($entry->payload instanceof RepairedPayload) {
                $epochs[] = [];
            }
            array_push($epochs[\count($epochs) - 1], ...self::expanded($entry));
        }

        return new self(
            self::chaptersOf($epochs),
            $undone,
            $asleep,
            $cancelled,
            Entries::of($log),
            $keeping,
            self::stillOpen([], array_merge(...$epochs)),
        );
    }

    /**
     * The same story with one entry more, at a cost that does not grow with it.
     *
     * @param Entry<Payload> $entry the next one
     */
    public function with(Entry $entry): self
    {
        if ($entry->payload instanceof UndoPayload || $entry->payload instanceof CountersignPayload) {
            return self::of([...$this->written->all(), $entry], $this->keeping);
        }
        $written = $this->written->with([$entry]);
        if ($entry->wantsCountersigning()) {
            $asleep = [...$this->asleep, $entry];

            return new self(
                $this->chapters,
                $this->undone,
                $asleep,
                $this->cancelled,
                $written,
                $this->keeping,
                $this->openItems,
            );
        }
        $chapters = $this->chapters;
        $now = $this->now();
        if ($entry->payload instanceof RepairedPayload) {
            $chapters[] = $now = Chapter::of(\count($chapters), [], $now->lift, $now->stands);
        }
        $chapters[\count($chapters) - 1] = $now->with(self::expanded($entry));

        return new self(
            $chapters,
            $this->undone,
            $this->asleep,
            $this->cancelled,
            $written,
            $this->keeping,
            self::stillOpen($this->openItems, [$entry]),
        );
    }

    public function now(): Chapter
    {
        return $this->chapters[\count($this->chapters) - 1];
    }

    public function intake(): ?IntakePayload
    {
        return $this->last(IntakePayload::class)?->payload;
    }

    /**
     * @template T of Payload
     *
     * @param class-string<T> $type
     *
     * @return Entry<T>|null
     */
    public function last(string $type): ?Entry
    {
        $entries = $this->entriesOf($type);

        return $entries[\count($entries) - 1] ?? null;
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
        return array_merge(...array_map(static fn (Chapter $one): array => $one->entriesOf($type), $this->chapters));
    }

    /** @return list<Entry<Payload>> all that stand, in their order */
    public function entries(): array
    {
        return array_merge(...array_map(static fn (Chapter $one): array => $one->entries->all(), $this->chapters));
    }

    /** Whether an entry is there and not taken back already; an undo can be taken back too. */
    public function stands(string $id): bool
    {
        return null !== $this->written->byId($id) && !isset($this->cancelled[$id]);
    }

    /**
     * Also one that was taken back.
     *
     * @return Entry<Payload>|null
     */
    public function entry(string $id): ?Entry
    {
        return $this->written->byId($id);
    }

    public function isAsleep(string $id): bool
    {
        return [] !== array_filter($this->asleep, static fn (Entry $entry): bool => $entry->id === $id);
    }

    /** @return list<LinePayload> what else this visit changes, in the order it was put in; what was taken out is not */
    public function lines(): array
    {
        $finding = $this->finding()?->payload->group;

        return array_values(array_filter(
            $this->lastLines($this->now()->said(LinePayload::class)),
            static fn (LinePayload $line): bool => $line->in && true !== $finding?->is($line->group),
        ));
    }

    /** @return list<LinePayload> what was put off for another day, in any epoch, and is not done or put in since */
    public function putOff(): array
    {
        $done = array_map(
            static fn (Entry $entry): array => array_map(strval(...), $entry->payload->groups()),
            $this->entriesOf(RepairedPayload::class),
        );
        $all = array_map(
            static fn (Entry $entry): LinePayload => $entry->payload,
            $this->entriesOf(LinePayload::class),
        );

        return array_values(array_filter(
            $this->lastLines($all),
            static fn (LinePayload $line): bool => $line->isPutOff()
                && !\in_array((string) $line->group, array_merge(...$done), true),
        ));
    }

    /** @return array<string, string> kind of part that was chosen, by group */
    public function parts(): array
    {
        $parts = [];
        foreach ($this->entriesOf(LinePayload::class) as $entry) {
            $line = $entry->payload;
            if ('' !== $line->part) {
                $parts[(string) $line->group] = $line->part;
            }
        }

        return $parts;
    }

    /**
     * @param list<LinePayload> $said
     *
     * @return array<string, LinePayload> the last word about each repair, in the order of those
     */
    private function lastLines(array $said): array
    {
        $lines = [];
        foreach ($said as $line) {
            unset($lines[(string) $line->group]);
            $lines[(string) $line->group] = $line;
        }

        return $lines;
    }

    /** @return list<Entry<ItemPayload>> open items that are not settled */
    public function openItems(): array
    {
        return array_values($this->openItems);
    }

    /** @return array<string, float> the vehicle's own figures in core units, the later one first */
    public function figures(): array
    {
        $figures = [];
        foreach ($this->entriesOf(FiguresPayload::class) as $entry) {
            $figures = [...$figures, ...$entry->payload->cores()];
        }

        return $figures;
    }

    /** @return array<string, float> N·m by step of the repair sheets, as the vehicle's service data say */
    public function torques(): array
    {
        $torques = [];
        foreach ($this->entriesOf(FiguresPayload::class) as $entry) {
            foreach ($entry->payload->torques as $step => $torque) {
                $torques[$step] = $torque->core;
            }
        }

        return $torques;
    }

    /**
     * The finding that stands: signed in this epoch, not followed by another reading that could change it, and none of
     * the readings it rested on taken back.
     *
     * @return Entry<FindingPayload>|null
     */
    public function finding(): ?Entry
    {
        if (!$this->now()->has(Kind::Finding)) {
            return null;
        }
        $finding = null;
        foreach ($this->now()->entries->all() as $entry) {
            if ($entry->payload instanceof FindingPayload) {
                /** @var Entry<FindingPayload> $entry */
                $finding = $entry;
            } elseif (
                $entry->payload instanceof ReadingPayload
                && !\in_array($entry->payload->check->id, $this->keeping, true)
            ) {
                $finding = null;
            }
        }
        foreach (Entries::of($this->undone)->only(ReadingPayload::class) as $reading) {
            if (null !== $finding && \in_array($reading->id, $finding->payload->readings, true)) {
                $finding = null;
            }
        }

        return $finding;
    }

    /**
     * @param string $sheet the id of the finding that the repair sheet follows from
     * @param string ...$names under which the step may be written
     *
     * @return Entry<StepPayload>|null
     */
    public function stepDone(string $sheet, string ...$names): ?Entry
    {
        $done = null;
        foreach ($this->entriesOf(StepPayload::class) as $entry) {
            $is = $entry->payload->sheet === $sheet && \in_array($entry->payload->step, $names, true);
            $done = $is ? $entry : $done;
        }

        return $done;
    }

    /** @param Entry<StepPayload> $done */
    public function stepConfirmedByAnother(Entry $done): bool
    {
        foreach ($this->entriesOf(ConfirmPayload::class) as $entry) {
            if ($entry->payload->step === $done->id && $entry->author !== $done->author) {
                return true;
            }
        }

        return false;
    }

    /** @param Entry<StepPayload> $done */
    public function stepConfirmed(Entry $done): bool
    {
        foreach ($this->entriesOf(ConfirmPayload::class) as $entry) {
            if ($entry->payload->step === $done->id) {
                return true;
            }
        }

        return false;
    }

    /**
     * @param array<string, Entry<ItemPayload>> $open
     * @param list<Entry<Payload>> $more what follows
     *
     * @return array<string, Entry<ItemPayload>>
     */
    private static function stillOpen(array $open, array $more): array
    {
        foreach ($more as $entry) {
            if ($entry->payload instanceof ItemPayload) {
                /** @var Entry<ItemPayload> $entry */
                $open[$entry->id] = $entry;
            } elseif ($entry->payload instanceof SettledPayload) {
                unset($open[$entry->payload->item]);
            }
        }

        return $open;
    }

    /**
     * An entry, and the readings that a round stands for after it.
     *
     * @param Entry<Payload> $entry
     *
     * @return list<Entry<Payload>>
     */
    private static function expanded(Entry $entry): array
    {
        if (!$entry->payload instanceof RoundPayload) {
            return [$entry];
        }

        /** @var Entry<RoundPayload> $entry */
        return [$entry, ...RoundPayload::readings($entry)];
    }

    /**
     * @param list<Entry<Payload>> $log
     *
     * @return list<Entry<Payload>> by seq
     */
    private static function inOrder(array $log): array
    {
        $last = \PHP_INT_MIN;
        foreach ($log as $entry) {
            if ($entry->seq < $last) {
                usort($log, static fn (Entry $a, Entry $b): int => $a->seq <=> $b->seq);
                break;
            }
            $last = $entry->seq;
        }

        return $log;
    }

    /**
     * @param list<Entry<Payload>> $log by seq
     *
     * @return array<string, true> ids of what was taken back; an undo that was itself taken back takes nothing back
     */
    private static function cancelled(array $log): array
    {
        $cancelled = [];
        foreach (array_reverse($log) as $entry) {
            if ($entry->payload instanceof UndoPayload && !isset($cancelled[$entry->id])) {
                $cancelled[$entry->payload->cancels] = true;
            }
        }

        return $cancelled;
    }

    /**
     * @param non-empty-list<list<Entry<Payload>>> $epochs
     *
     * @return non-empty-list<Chapter>
     */
    private static function chaptersOf(array $epochs): array
    {
        $chapters = [];
        $lift = Lift::Ground;
        $stands = false;
        foreach ($epochs as $number => $entries) {
            $chapters[] = $chapter = Chapter::of($number, $entries, $lift, $stands);
            [$lift, $stands] = [$chapter->lift, $chapter->stands];
        }

        return $chapters;
    }
}
