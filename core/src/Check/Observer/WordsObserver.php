<?php

declare(strict_types=1);

namespace Rodrel\Core\Check\Observer;

use Rodrel\Core\Check\Asked;
use Rodrel\Core\Check\Chance;
use Rodrel\Core\Check\Subject;
use Rodrel\Core\Shape;

/** Ordinal words: limits on the probe with log-normal noise. */
final readonly class WordsObserver extends Observer
{
    public static function kind(): string
    {
        return 'words';
    }

    public static function fromShape(Shape $shape, Observers $book): self
    {
        $wording = Wording::fromShape($shape);
        $wording->checkLimits($shape);

        return new self($wording, $book->source($shape));
    }

    public function see(Subject $subject, Asked $asked, ?array $sign): Seen
    {
        $scale = $this->wording->relativeToSound ? $this->value($subject->sound(), $asked) : 1.0;

        return new Seen(self::chances($this->wording, $this->value($subject, $asked), $scale));
    }

    /** @return non-empty-list<float> chance of each word for a value of the probe */
    public static function chances(Wording $wording, float $value, float $scale = 1.0): array
    {
        $chances = [];
        $below = 0.0;
        foreach ($wording->limits as $limit) {
            $upTo = Chance::below($limit * $scale, $value, $wording->noise);
            $chances[] = $upTo - $below;
            $below = $upTo;
        }
        $chances[] = 1.0 - $below;

        return $chances;
    }
}
