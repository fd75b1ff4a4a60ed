<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Shape;

/** A reading that the diagnosis hangs on: if it is wrong, something else leads. */
final readonly class Hinge
{
    private const AT_MOST = 3;

    private function __construct(public CitedReading $reading, public string $instead, public float $mass)
    {
    }

    /** @return list<self> the one that takes most away first */
    public static function in(Belief $belief): array
    {
        $leader = (string) array_key_first($belief->groups);
        $hinges = [];
        foreach ($belief->readings as $n => $reading) {
            $without = $belief->groupsWithout($n);
            arsort($without);
            $instead = (string) array_key_first($without);
            if ($instead !== $leader && '' !== $instead) {
                $hinges[] = [$without[$leader] ?? 0.0, new self(
                    new CitedReading($reading->id, $reading->check, $reading->outcomes),
                    $instead,
                    $without[$instead],
                )];
            }
        }
        usort($hinges, static fn (array $a, array $b): int => $a[0] <=> $b[0]);

        return array_column(\array_slice($hinges, 0, self::AT_MOST), 1);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['reading' => $this->reading->toArray(), 'instead' => $this->instead, 'mass' => $this->mass];
    }

    public static function fromShape(Shape $shape): self
    {
        return new self(
            CitedReading::fromShape($shape->in('reading')),
            $shape->text('instead'),
            $shape->number('mass'),
        );
    }
}
