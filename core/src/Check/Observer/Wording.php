<?php

declare(strict_types=1);

namespace Rodrel\Core\Check\Observer;

use Rodrel\Core\Shape;

/** The words of a row, where they divide the probe's scale, and the noise on them. */
final readonly class Wording
{
    /** Share of answers that are a slip, where a row says nothing else (handbook: about 2 %). */
    private const BLUNDER = 0.02;

    /**
     * @param non-empty-list<string> $words
     * @param list<float> $limits between the words, on the probe's scale
     * @param float $noise of reading, vehicle and what it has in common with other readings, together
     * @param bool $relativeToSound limits count as shares of what a sound vehicle shows
     * @param float $floor what is below it reads so
     */
    private function __construct(
        public array $words,
        public array $limits,
        public float $noise,
        public float $blunder,
        public bool $relativeToSound,
        public float $floor,
        public ?Common $common,
    ) {
    }

    /** @param non-empty-list<string>|null $given words that are not in the row itself */
    public static function fromShape(Shape $shape, ?array $given = null): self
    {
        $words = $given ?? $shape->texts('words');
        if (\count($words) < 2 || \count(array_unique($words)) !== \count($words)) {
            $shape->miss('words', 'at least two words are expected, none of them twice');
            $words = ['yes', 'no'];
        }
        $limits = $shape->numbers('limits');
        $rising = $limits;
        sort($rising);
        if ($rising !== $limits || \count(array_unique($limits)) !== \count($limits)) {
            $shape->miss('limits', 'limits rise from word to word');
        }
        $common = $shape->has('common') ? Common::fromShape($shape->in('common')) : null;

        return new self(
            $words,
            $limits,
            sqrt(
                $shape->notNegative('sigma', 0.0) ** 2
                + $shape->notNegative('scatter', 0.0) ** 2
                + ($common->noise ?? 0.0) ** 2,
            ),
            $shape->share('blunder', self::BLUNDER),
            $shape->flag('relative_to_sound'),
            $shape->number('floor', -1e300),
            $common,
        );
    }

    /** Refuses limits that do not lie between every two words, or a row without noise. */
    public function checkLimits(Shape $shape): void
    {
        if (\count($this->limits) !== \count($this->words) - 1) {
            $shape->miss('limits', 'one limit between every two words is expected');
        }
        if ($this->noise <= 0.0) {
            $shape->miss('sigma', 'a row that is read by hand or eye has some noise');
        }
    }

    /**
     * Mixes in the blunder: a wrong button, the wrong wheel, a slip.
     *
     * @param non-empty-list<float> $chances
     *
     * @return non-empty-list<float>
     */
    public function withBlunder(array $chances): array
    {
        $flat = $this->blunder / \count($chances);

        return array_map(fn (float $chance): float => (1.0 - $this->blunder) * $chance + $flat, $chances);
    }

    /** The word that a typed number falls under; `$scale` is the sound value where limits are relative. */
    public function wordFor(float $number, float $scale = 1.0): string
    {
        foreach ($this->limits as $i => $limit) {
            if ($number < $limit * $scale) {
                return $this->words[$i];
            }
        }

        return $this->words[\count($this->words) - 1];
    }

    /** The first word: how it should be. */
    public function best(): string
    {
        return $this->words[0];
    }
}
