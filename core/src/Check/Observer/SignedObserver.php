<?php

declare(strict_types=1);

namespace Rodrel\Core\Check\Observer;

use Rodrel\Core\Check\Asked;
use Rodrel\Core\Check\Chance;
use Rodrel\Core\Check\Subject;
use Rodrel\Core\Shape;

/** Words along a scale that goes both ways: limits on the probe with normal noise. */
final readonly class SignedObserver extends Observer
{
    public static function kind(): string
    {
        return 'signed';
    }

    public static function fromShape(Shape $shape, Observers $book): self
    {
        $wording = Wording::fromShape($shape);
        $wording->checkLimits($shape);

        return new self($wording, $book->source($shape));
    }

    public function see(Subject $subject, Asked $asked, ?array $sign): Seen
    {
        $value = $this->value($subject, $asked);
        $chances = [];
        $below = 0.0;
        foreach ($this->wording->limits as $limit) {
            $upTo = Chance::normal(($limit - $value) / $this->wording->noise);
            $chances[] = $upTo - $below;
            $below = $upTo;
        }
        $chances[] = 1.0 - $below;

        return new Seen($chances);
    }
}
