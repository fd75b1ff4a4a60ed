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
    /**
     * @param list<float> $incidental how often a vehicle whose fault is elsewhere shows each word all the same; empty
     *     for never
     */
    private function __construct(Wording $wording, ?Source $source, private array $incidental)
    {
        parent::__construct($wording, $source);
    }

    public static function kind(): string
    {
        return 'words';
    }

    public static function fromShape(Shape $shape, Observers $book): self
    {
        $wording = Wording::fromShape($shape);
        $wording->checkLimits($shape);

        $incidental = $shape->numbers('incidental');
        $fits = \count($incidental) === \count($wording->words) && abs(array_sum($incidental) - 1.0) < 1e-6;
        if ([] !== $incidental && !$fits) {
            $shape->miss('incidental', 'one chance per word is expected, summing to 1');
            $incidental = [];
        }

        return new self($wording, $book->source($shape), $incidental);
    }

    public function see(Subject $subject, Asked $asked, ?array $sign): Seen
    {
        $scale = $this->wording->relativeToSound ? $this->value($subject->sound(), $asked) : 1.0;

        return new Seen($this->orWorse(self::chances($this->wording, $this->value($subject, $asked), $scale)));
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

    /**
     * The worse of what the fault shows and of what comes along by the way.
     *
     * @param non-empty-list<float> $chances
     *
     * @return non-empty-list<float>
     */
    private function orWorse(array $chances): array
    {
        if ([] === $this->incidental) {
            return $chances;
        }
        $worse = [];
        $shown = $by = $below = 0.0;
        foreach ($chances as $i => $chance) {
            $shown += $chance;
            $by += $this->incidental[$i];
            $worse[] = $shown * $by - $below;
            $below = $shown * $by;
        }

        return $worse;
    }
}
