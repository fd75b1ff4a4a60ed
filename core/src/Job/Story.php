<?php

declare(strict_types=1);

namespace Rodrel\Core\Job;

use Rodrel\Core\Check\Lift;

/** What a job's log says after undone entries are left out, in order: one chapter per epoch. */
final readonly class Story
{
    /**
     * @param list<Entry>             $entries  standing entries, by seq
     * @param non-empty-list<Chapter> $chapters one per epoch
     * @param list<Entry>             $undone
     * @param list<string>            $standing ids of all entries not taken back, undos among them
     */
    private function __construct(public array $entries, public array $chapters, public array $undone, private array $standing)
    {
    }

    /** @param list<Entry> $log in any order */
    public static function of(array $log): self
    {
        usort($log, static fn (Entry $a, Entry $b): int => $a->seq <=> $b->seq);
        $cancelled = [];
        foreach (array_reverse($log) as $entry) {
            if (Kind::Undo === $entry->kind && !isset($cancelled[$entry->id])) {
                $cancelled[$entry->shape()->text('cancels')] = true;
            }
        }
        $standing = $undone = [];
        $epochs = [[]];
        foreach ($log as $entry) {
            if (isset($cancelled[$entry->id])) {
                $undone[] = $entry;
                continue;
            }
            if (Kind::Undo === $entry->kind) {
                continue;
            }
            $standing[] = $entry;
            if (Kind::Repaired === $entry->kind) {
                $epochs[] = [];
            }
            $epochs[\count($epochs) - 1][] = $entry;
        }
        $chapters = [];
        $lift = Lift::Ground;
        $stands = false;
        foreach ($epochs as $number => $entries) {
            $chapters[] = $chapter = Chapter::of($number, $entries, $lift, $stands);
            [$lift, $stands] = [$chapter->lift, $chapter->stands];
        }

        $ids = array_map(static fn (Entry $entry): string => $entry->id, array_filter($log, static fn (Entry $entry): bool => !isset($cancelled[$entry->id])));

        return new self($standing, $chapters, $undone, array_values($ids));
    }

    public function now(): Chapter
    {
        return $this->chapters[\count($this->chapters) - 1];
    }

    public function intake(): ?Entry
    {
        return $this->last(Kind::Intake);
    }

    public function last(Kind $kind): ?Entry
    {
        $found = null;
        foreach ($this->entries as $entry) {
            $found = $entry->kind === $kind ? $entry : $found;
        }

        return $found;
    }

    /** @return list<Entry> */
    public function all(Kind $kind): array
    {
        return array_values(array_filter($this->entries, static fn (Entry $entry): bool => $entry->kind === $kind));
    }

    /** Whether an entry is there and not taken back already; an undo can be taken back too. */
    public function stands(string $id): bool
    {
        return \in_array($id, $this->standing, true);
    }

    /** @return list<Entry> open items that are not settled */
    public function openItems(): array
    {
        $settled = array_map(static fn (Entry $entry): string => $entry->shape()->text('item'), $this->all(Kind::Settled));

        return array_values(array_filter($this->all(Kind::Item), static fn (Entry $entry): bool => !\in_array($entry->id, $settled, true)));
    }

    /** @return array<string, float> the vehicle's own figures in core units, the later one first */
    public function figures(): array
    {
        $figures = [];
        foreach ($this->all(Kind::Figures) as $entry) {
            $figures = [...$figures, ...self::figuresOf($entry)];
        }

        return $figures;
    }

    /** @return array<string, float> */
    public static function figuresOf(Entry $entry): array
    {
        $figures = [];
        foreach ($entry->shape()->each('figures') as $name => $figure) {
            $figures[$name] = $figure->number('core');
        }

        return $figures;
    }

    /** @return array<string, float> N·m by step of the repair sheets, as the vehicle's service data say */
    public function torques(): array
    {
        $torques = [];
        foreach ($this->all(Kind::Figures) as $entry) {
            foreach ($entry->shape()->each('torques') as $step => $torque) {
                $torques[$step] = $torque->number('core');
            }
        }

        return $torques;
    }

    /**
     * The finding that stands: signed in this epoch and not followed by another reading of it.
     */
    public function finding(): ?Entry
    {
        $finding = null;
        foreach ($this->now()->entries as $entry) {
            if (Kind::Finding === $entry->kind) {
                $finding = $entry;
            } elseif (Kind::Reading === $entry->kind) {
                $finding = null;
            }
        }
        foreach ($this->undone as $entry) {
            if (null !== $finding && Kind::Reading === $entry->kind && $this->undoneAfter($entry, $finding)) {
                $finding = null;
            }
        }

        return $finding;
    }

    /** A reading that the finding rested on was taken back: the signature no longer covers what stands. */
    private function undoneAfter(Entry $reading, Entry $finding): bool
    {
        return \in_array($reading->id, $finding->shape()->texts('readings'), true);
    }
}
