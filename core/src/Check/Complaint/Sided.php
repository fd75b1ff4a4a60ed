<?php

declare(strict_types=1);

namespace Rodrel\Core\Check\Complaint;

use Rodrel\Core\Shape;
use Rodrel\Core\Vocabulary\Corner;

/** A share of the drivers whose vehicle drags on one side tell of a pull. */
final readonly class Sided
{
    private function __construct(public float $share, private string $left, private string $right)
    {
    }

    public static function fromShape(Shape $shape): self
    {
        return new self($shape->share('share'), $shape->text('left'), $shape->text('right'));
    }

    /** @return list<string> */
    public function complaints(): array
    {
        return [$this->left, $this->right];
    }

    /**
     * The complaint of a set of dragging wheels; null where both sides drag alike.
     *
     * @param list<Corner> $wheels
     */
    public function of(array $wheels): ?string
    {
        $left = \count(array_filter($wheels, static fn (Corner $corner): bool => $corner->isLeft()));

        return match (2 * $left <=> \count($wheels)) {
            1 => $this->left,
            -1 => $this->right,
            default => null,
        };
    }
}
