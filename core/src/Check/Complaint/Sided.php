<?php

declare(strict_types=1);

namespace Rodrel\Core\Check\Complaint;

use Rodrel\Core\Shape;
use Rodrel\Core\Vocabulary\Corner;

/** A share of the drivers whose vehicle drags on one side tell of a pull. */
final readonly class Sided
{
    /** @param float $after so many more, for each of those, say that it pulls once the foot is off */
    private function __construct(
        public float $share,
        private string $left,
        private string $right,
        public float $after,
        private string $leftAfter,
        private string $rightAfter,
    ) {
    }

    public static function fromShape(Shape $shape): self
    {
        return new self(
            $shape->share('share'),
            $shape->text('left'),
            $shape->text('right'),
            $shape->share('after_share'),
            $shape->text('left_after'),
            $shape->text('right_after'),
        );
    }

    /** @return list<string> */
    public function complaints(): array
    {
        return [$this->left, $this->right, $this->leftAfter, $this->rightAfter];
    }

    /**
     * The complaint of a set of dragging wheels; null where both sides drag alike.
     *
     * @param list<Corner> $wheels
     * @param bool $after letting go only
     */
    public function of(array $wheels, bool $after = false): ?string
    {
        $left = \count(array_filter($wheels, static fn (Corner $corner): bool => $corner->isLeft()));

        return match (2 * $left <=> \count($wheels)) {
            1 => $after ? $this->leftAfter : $this->left,
            -1 => $after ? $this->rightAfter : $this->right,
            default => null,
        };
    }
}
