<?php

declare(strict_types=1);

namespace Rodrel\Core\Check\Complaint;

use Rodrel\Core\Shape;
use Rodrel\Core\Vocabulary\Corner;

/** The wheels whose dragging a complaint names: just these, or any that are more than so many. */
final readonly class Drags
{
    /** @param list<Corner> $wheels */
    private function __construct(public array $wheels, private int $moreThan)
    {
    }

    public static function fromShape(Shape $shape): self
    {
        $wheels = [];
        foreach ($shape->texts('wheels') as $id) {
            $wheels[] = Corner::tryFrom($id)
                ?? $shape->miss('wheels', 'corners are lf, rf, lr, rr', Corner::LeftFront);
        }
        $more = (int) $shape->notNegative('more_than', [] === $wheels ? 0.0 : 4.0);
        if ([] === $wheels && $more < 1) {
            $shape->miss('wheels', 'wheels, or more_than, are expected');
        }

        return new self($wheels, $more);
    }

    /** @param list<Corner> $dragging in the order of Corner */
    public function isTold(array $dragging): bool
    {
        return $dragging === $this->wheels || \count($dragging) > $this->moreThan;
    }
}
