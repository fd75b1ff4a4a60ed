<?php

declare(strict_types=1);

namespace Rodrel\Core\Check\Observer;

use Rodrel\Core\Check\Asked;
use Rodrel\Core\Check\Subject;
use Rodrel\Core\Shape;

/** What the simulation cannot show: the chance of each word, from the catalogue. */
final readonly class SignObserver extends Observer
{
    /**
     * @param non-empty-list<float> $base chance of each word when no fault speaks to it
     * @param list<string> $ordinary words behind which something ordinary stands, not a fault of the catalogue
     */
    private function __construct(Wording $wording, public array $base, public array $ordinary)
    {
        parent::__construct($wording);
    }

    public static function kind(): string
    {
        return 'sign';
    }

    public static function fromShape(Shape $shape, Observers $book): self
    {
        $wording = Wording::fromShape($shape);
        $base = $shape->numbers('base');
        if (\count($base) !== \count($wording->words) || abs(array_sum($base) - 1.0) > 1e-6 || min($base) < 0.0) {
            $shape->miss('base', 'one chance per word is expected, summing to 1');
            $base = array_fill(0, \count($wording->words), 1.0 / \count($wording->words));
        }
        $ordinary = $shape->in('ordinary');
        foreach ($ordinary->keys() as $word) {
            if ('' === $ordinary->text($word, '') || !\in_array($word, $wording->words, true)) {
                $ordinary->miss($word, 'a word of this row, and the ordinary thing behind it, are expected');
            }
        }

        return new self($wording, $base, $ordinary->keys());
    }

    /** What most vehicles show; the words stand in the order in which they are looked for. */
    public function good(): string
    {
        return $this->wording->words[(int) array_search(max($this->base), $this->base, true)];
    }

    public function isOrdinary(string $word): bool
    {
        return \in_array($word, $this->ordinary, true);
    }

    public function isSign(): bool
    {
        return true;
    }

    /** Each word's odds against a vehicle of which nothing is known multiply. */
    public function together(array $one, array $other): array
    {
        $both = [];
        foreach ($this->base as $i => $base) {
            $both[] = $one[$i] * $other[$i] / max($base, 1e-6);
        }
        $sum = max(1e-12, array_sum($both));

        return array_map(static fn (float $chance): float => $chance / $sum, $both);
    }

    public function see(Subject $subject, Asked $asked, ?array $sign): Seen
    {
        return new Seen($sign ?? $this->base);
    }
}
