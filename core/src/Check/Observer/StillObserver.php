<?php

declare(strict_types=1);

namespace Rodrel\Core\Check\Observer;

use Rodrel\Core\Check\Asked;
use Rodrel\Core\Check\Subject;
use Rodrel\Core\Shape;

/** Whether a driver would still complain: the first word is that it has gone. */
final readonly class StillObserver extends Observer
{
    public static function kind(): string
    {
        return 'still';
    }

    public static function fromShape(Shape $shape, Observers $book): self
    {
        return new self(Wording::fromShape($shape));
    }

    public function see(Subject $subject, Asked $asked, ?array $sign): Seen
    {
        $still = $subject->stillComplains();

        return new Seen([1.0 - $still, $still]);
    }
}
