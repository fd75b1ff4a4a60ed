<?php

declare(strict_types=1);

namespace Rodrel\Core\Fault;

use Rodrel\Core\Shape;

/** What a fault shows that no simulation can: the chance of each word of a check's row. */
final readonly class Signs
{
    /** @param array<string, non-empty-list<float>> $chances by check id, or `check/row` where it has rows */
    private function __construct(private array $chances)
    {
    }

    public static function fromShape(Shape $shape): self
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

        return new self($chances);
    }

    /** @return non-empty-list<float>|null null where the fault says nothing to it */
    public function of(string $check, string $row): ?array
    {
        return $this->chances[$check.'/'.$row] ?? $this->chances[$check] ?? null;
    }

    /** @return array<string, non-empty-list<float>> by `check` or `check/row` */
    public function all(): array
    {
        return $this->chances;
    }
}
