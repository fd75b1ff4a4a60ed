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
     * @param array<string, Sighting> $seen words that are defects seen in themselves
     * @param list<string> $ordinary words behind which something ordinary stands, not a fault of the catalogue
     */
    private function __construct(Wording $wording, public array $base, public array $seen, public array $ordinary)
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
        $seen = array_map(Sighting::fromShape(...), $shape->each('seen'));
        $base = [] === $seen ? $shape->numbers('base') : self::elsewhere($wording->words, $seen, $shape);
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

        return new self($wording, $base, $seen, $ordinary->keys());
    }

    /**
     * How often each word is said where the fault is elsewhere: what is left is as it should be.
     *
     * @param non-empty-list<string> $words
     * @param array<string, Sighting> $seen
     *
     * @return list<float>
     */
    private static function elsewhere(array $words, array $seen, Shape $shape): array
    {
        $good = array_values(array_diff($words, array_keys($seen)));
        if (1 !== \count($good) || [] !== array_diff(array_keys($seen), $words)) {
            $shape->miss('seen', 'every word but the good one is expected here, and no other');
        }
        $left = 1.0;
        foreach ($seen as $sighting) {
            $left -= $sighting->elsewhere();
        }

        return array_map(
            static fn (string $word): float => isset($seen[$word]) ? $seen[$word]->elsewhere() : $left,
            $words,
        );
    }

    public function sighting(string $word): ?Sighting
    {
        return $this->seen[$word] ?? null;
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
