<?php

declare(strict_types=1);

namespace Rodrel\Core\Check\Observer;

use Rodrel\Core\Check\Asked;
use Rodrel\Core\Check\Subject;
use Rodrel\Core\Shape;

/** A typed number, log-normal around the probe; its words are for what follows from it. */
final readonly class NumberObserver extends Observer
{
    public static function kind(): string
    {
        return 'number';
    }

    public static function fromShape(Shape $shape, Observers $book): self
    {
        $wording = Wording::fromShape($shape);
        $wording->checkLimits($shape);

        return new self($wording, $book->source($shape), Typed::fromShape($shape));
    }

    public function see(Subject $subject, Asked $asked, ?array $sign): Seen
    {
        $median = $this->value($subject, $asked);
        $scale = $this->wording->relativeToSound ? $this->value($subject->sound(), $asked) : 1.0;

        return new Seen(WordsObserver::chances($this->wording, $median, $scale), $median);
    }
}
