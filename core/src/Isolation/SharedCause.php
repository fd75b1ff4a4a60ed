<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

/**
 * How likely everything is that shares a cause of error, the cause summed out. Hypotheses that show the same in all of
 * these rows are one: most of them, for most rows.
 */
final readonly class SharedCause
{
    /** No chance counts as less: one reading alone never makes a thing impossible. */
    private const LEAST = 1e-300;

    /**
     * @param non-empty-list<Evidence> $rows
     * @param list<int> $of which entry each hypothesis has
     * @param array<int, list<non-empty-list<float>>> $columns all rows together, by share of slips, point, entry
     * @param list<non-empty-array<int, float>> $chances the points summed out, by share of slips, then entry
     */
    private function __construct(
        private array $rows,
        public array $of,
        private array $columns,
        private array $chances,
    ) {
    }

    /** @param non-empty-list<Evidence> $rows */
    public static function of(array $rows): self
    {
        $columns = $rows[0]->columns;
        $of = $rows[0]->index;
        foreach (\array_slice($rows, 1) as $row) {
            [$of, $columns] = self::joined($of, $columns, $row);
        }
        $chances = [];
        foreach ($columns as $points) {
            $sum = array_fill(0, \count($points[0]), 0.0);
            foreach ($rows[0]->weights as $z => $weight) {
                foreach ($points[$z] as $k => $chance) {
                    $sum[$k] += $weight * $chance;
                }
            }
            $chances[] = array_map(static fn (float $chance): float => max($chance, self::LEAST), $sum);
        }

        return new self($rows, $of, $columns, $chances);
    }

    /** @return non-empty-array<int, float> by entry */
    public function logs(int $slips): array
    {
        return array_map(log(...), $this->chances[$slips]);
    }

    /** Whether one of its rows is of that reading. */
    public function has(int $reading): bool
    {
        return [] !== array_filter($this->rows, static fn (Evidence $row): bool => $row->reading === $reading);
    }

    /**
     * The same without one reading.
     *
     * @param array<int, mixed> $live by hypothesis
     *
     * @return array<int, float> by hypothesis
     */
    public function logsWithout(int $slips, int $reading, array $live): array
    {
        $own = array_filter($this->rows, static fn (Evidence $row): bool => $row->reading === $reading);
        if (\count($own) === \count($this->rows)) {
            return array_fill_keys(array_keys($live), 0.0);
        }
        if ([] === $own) {
            $all = $this->logs($slips);

            return array_map(static fn (int $entry): float => $all[$entry], array_intersect_key($this->of, $live));
        }
        $known = $logs = [];
        foreach ($live as $i => $_) {
            $entry = $this->of[$i];
            $logs[$i] = $known[$entry] ??= log(max(self::LEAST, $this->left($slips, $entry, $i, $own)));
        }

        return $logs;
    }

    /**
     * Chance of what the other rows say, the cause summed out.
     *
     * @param array<Evidence> $own rows left out; none denies anything altogether, or it is not what was read
     */
    private function left(int $f, int $entry, int $hypothesis, array $own): float
    {
        $left = 0.0;
        foreach ($this->rows[0]->weights as $z => $weight) {
            $chance = $weight * $this->columns[$f][$z][$entry];
            foreach ($own as $row) {
                $column = $row->columns[$f][$z];
                $chance /= max(self::LEAST, $column[$row->index[$hypothesis]]);
            }
            $left += $chance;
        }

        return $left;
    }

    /**
     * One row more: hypotheses are told apart by what they show there too.
     *
     * @param list<int> $of
     * @param array<int, list<non-empty-list<float>>> $columns by share of slips, point, entry
     *
     * @return array{list<int>, array<int, list<non-empty-list<float>>>}
     */
    private static function joined(array $of, array $columns, Evidence $row): array
    {
        $size = \count($row->columns[0][0]);
        $known = [];
        foreach ($of as $i => $entry) {
            $of[$i] = $known[$entry * $size + $row->index[$i]] ??= \count($known);
        }
        $both = array_keys($known);
        $joined = [];
        foreach ($columns as $f => $points) {
            foreach ($points as $z => $chances) {
                $more = $row->columns[$f][$z];
                $product = [];
                foreach ($both as $pair) {
                    $product[] = $chances[intdiv($pair, $size)] * $more[$pair % $size];
                }
                $joined[$f][] = [] === $product ? [1.0] : $product;
            }
        }

        return [$of, $joined];
    }
}
