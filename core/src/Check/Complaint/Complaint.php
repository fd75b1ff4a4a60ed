<?php

declare(strict_types=1);

namespace Rodrel\Core\Check\Complaint;

use Rodrel\Core\Shape;

/** One complaint: how it is asked for, and what of the model stands behind it. */
final readonly class Complaint
{
    /**
     * @param string $what the question's answer it belongs to
     * @param string|null $where the second answer, where one is wanted
     * @param string|null $timing the third
     * @param float $elsewhere how often a driver whose brakes are sound says it, against the others
     */
    private function __construct(
        public string $id,
        public string $what,
        public ?string $where,
        public ?string $timing,
        public ?Drags $drags,
        public ?Noticed $noticed,
        public float $elsewhere,
    ) {
    }

    /** @param list<string> $drives */
    public static function fromShape(Shape $shape, array $drives): self
    {
        return new self(
            $shape->text('id'),
            $shape->text('what'),
            $shape->optionalText('where'),
            $shape->optionalText('timing'),
            $shape->has('drags') ? Drags::fromShape($shape->in('drags')) : null,
            $shape->has('noticed') ? Noticed::fromShape($shape->in('noticed'), $drives) : null,
            $shape->notNegative('elsewhere', 0.0),
        );
    }
}
