<?php

declare(strict_types=1);

namespace Rodrel\Core\Check\Observer;

use Rodrel\Core\Check\Asked;
use Rodrel\Core\Check\Subject;
use Rodrel\Core\Shape;

/** What a driver complains about, in the catalogue's complaints. */
final readonly class ComplaintObserver extends Observer
{
    public static function kind(): string
    {
        return 'complaint';
    }

    public static function fromShape(Shape $shape, Observers $book): self
    {
        return new self(Wording::fromShape($shape, $book->complaints->words()));
    }

    public function see(Subject $subject, Asked $asked, ?array $sign): Seen
    {
        // what is said of brakes that are sound comes from elsewhere: a tyre, a joint, a new driver
        return new Seen($sign ?? $subject->complaints());
    }

    public function takesSigns(): bool
    {
        return true;
    }
}
