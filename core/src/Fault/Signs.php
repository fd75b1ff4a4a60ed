<?php

declare(strict_types=1);

namespace Rodrel\Core\Fault;

use Rodrel\Core\Shape;

/** What a fault shows that no simulation can: the chance of each word of a check's row. */
final readonly class Signs
{
    /**
     * @param array<string, non-empty-list<float>> $chances by check id, or `check/row` where it has rows
     * @param array<string, list<string>> $where at which of a row's places it shows, where not at the fault's own
     * @param array<string, float> $told share of the drivers who complain of it in these words, by complaint
     */
    private function __construct(private array $chances, private array $where, public array $told)
    {
    }

    /** @param array<string, float> $told */
    public static function fromShape(Shape $shape, Shape $shows, array $told): self
    {
        $chances = [];
        foreach ($shape->keys() as $row) {
            $given = $shape->numbers($row);
            if ([] === $given || abs(array_sum($given) - 1.0) > 1e-6 || min($given) < 0.0) {
                $shape->miss($row, 'chances must sum to 1');
            } else {
                $chances[$row] = $given;
            }
        }

        $where = [];
        foreach ($shows->keys() as $row) {
            if (!isset($chances[$row])) {
                $shows->miss($row, 'it shows only where a sign stands');
            }
            $where[$row] = $shows->texts($row);
        }

        return new self($chances, $where, $told);
    }

    /** @return non-empty-list<float>|null null where the fault says nothing to it */
    public function of(string $check, string $row): ?array
    {
        return $this->chances[$check.'/'.$row] ?? $this->chances[$check] ?? null;
    }

    /** @return list<string>|null at which of a row's places it shows; null: at its own */
    public function where(string $check, string $row): ?array
    {
        return $this->where[$check.'/'.$row] ?? $this->where[$check] ?? null;
    }

    /** @return array<string, list<string>> by `check` or `check/row` */
    public function everywhere(): array
    {
        return $this->where;
    }

    /** @return array<string, non-empty-list<float>> by `check` or `check/row` */
    public function all(): array
    {
        return $this->chances;
    }
}
