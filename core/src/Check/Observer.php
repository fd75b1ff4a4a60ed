<?php

declare(strict_types=1);

namespace Rodrel\Core\Check;

use Rodrel\Core\Shape;

/** How one row of a check is read: its kind, its words and the noise on them. */
final readonly class Observer
{
    /**
     * @param non-empty-list<string>   $words
     * @param list<float>              $limits    between the words, on the probe's scale
     * @param list<float>              $base      chance of each word when no fault speaks to it (signs)
     * @param array{float, float}|null $plausible typed numbers outside are questioned
     * @param array<string, float>     $figures   further numbers of the observer's kind
     */
    private function __construct(
        public ObserverKind $kind,
        public string $probe,
        public array $words,
        public array $limits,
        public array $base,
        public float $noise,
        public float $blunder,
        public bool $relativeToSound,
        public ?string $quantity,
        public ?string $unit,
        public ?array $plausible,
        public ?string $joint,
        public ?string $drive,
        public array $figures,
    ) {
    }

    public static function fromShape(Shape $shape): self
    {
        $kind = ObserverKind::tryFrom($shape->text('type')) ?? throw $shape->wrong('type', 'unknown kind of observer');
        $words = $shape->texts('words');
        if (\count($words) < 2) {
            throw $shape->wrong('words', 'at least two words are expected');
        }
        $limits = $shape->numbers('limits');
        if (\in_array($kind, [ObserverKind::Words, ObserverKind::Number, ObserverKind::Signed], true) && \count($limits) !== \count($words) - 1) {
            throw $shape->wrong('limits', 'one limit between every two words is expected');
        }
        $base = $shape->numbers('base');
        if (ObserverKind::Sign === $kind && (\count($base) !== \count($words) || abs(array_sum($base) - 1.0) > 1e-6)) {
            throw $shape->wrong('base', 'one chance per word is expected, summing to 1');
        }
        $plausible = $shape->numbers('plausible');
        $figures = [];
        foreach (['spurt_kpa', 'spurt_sigma', 'moved_mm', 'left_share', 'open_n', 'after_s', 'floor'] as $figure) {
            if ($shape->has($figure)) {
                $figures[$figure] = $shape->number($figure);
            }
        }

        return new self(
            $kind,
            $shape->text('probe', ''),
            $words,
            $limits,
            $base,
            hypot($shape->number('sigma', 0.0), $shape->number('scatter', 0.0)),
            $shape->number('blunder', 0.02),
            $shape->flag('relative_to_sound'),
            $shape->has('quantity') ? $shape->text('quantity') : null,
            $shape->has('unit') ? $shape->text('unit') : null,
            2 === \count($plausible) ? [$plausible[0], $plausible[1]] : null,
            $shape->has('joint') ? $shape->text('joint') : null,
            $shape->has('drive') ? $shape->text('drive') : null,
            $figures,
        );
    }

    /** The number is kelvins over the air, from a typed temperature. */
    public function isOverAir(): bool
    {
        return 'heat' === $this->probe;
    }

    public function figure(string $name): float
    {
        return $this->figures[$name] ?? throw new \LogicException(\sprintf('The observer has no figure "%s".', $name));
    }

    /**
     * Chance of each word for a probe value; the noise is log-normal, on a signed scale normal.
     *
     * @return non-empty-list<float>
     */
    public function wordChances(float $value, float $scale = 1.0): array
    {
        $chances = [];
        $below = 0.0;
        foreach ($this->limits as $limit) {
            $upTo = ObserverKind::Signed === $this->kind ? Chance::normal(($limit - $value) / $this->noise) : Chance::below($limit * $scale, $value, $this->noise);
            $chances[] = $upTo - $below;
            $below = $upTo;
        }
        $chances[] = 1.0 - $below;

        return $chances;
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
}
