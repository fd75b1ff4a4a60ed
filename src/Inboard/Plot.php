<?php

declare(strict_types=1);

namespace App\Inboard;

/**
 * A plot as an SVG draws it: axes with ticks, a band, lines, points with their figures. All in pixels of its view box.
 */
final class Plot
{
    public const WIDTH = 780;
    public const HEIGHT = 428;
    private const LEFT = 66;
    private const RIGHT = 24;
    private const TOP = 34;
    private const BOTTOM = 62;
    /** A name stands so far above its line, and takes so much. */
    private const ABOVE = 14.0;
    private const NAME = 26.0;

    public ?string $band = null;
    public string $bandName = '';
    public float $bandAt = 0.0;
    /** A band too thin for its name has it below, left of the middle: right of it lines are named. */
    public bool $bandIsThin = false;
    /** @var list<array{path: string, kind: string, label: string, x: float, y: float, named?: float}> */
    public array $lines = [];
    /** @var list<array{x: float, y: float, said: string}> */
    public array $points = [];
    /** @var list<array{at: float, said: string}> */
    public array $xTicks = [];
    /** @var list<array{at: float, said: string}> */
    public array $yTicks = [];

    /**
     * @param array{float, float} $xs range
     * @param array{float, float} $ys range; the first is drawn on top
     */
    public function __construct(
        private readonly array $xs,
        private readonly array $ys,
        public readonly string $xName,
        public readonly string $yName,
    ) {
    }

    public function x(float $value): float
    {
        $share = ($value - $this->xs[0]) / max(1e-9, $this->xs[1] - $this->xs[0]);

        return round(self::LEFT + $share * (self::WIDTH - self::LEFT - self::RIGHT), 1);
    }

    public function y(float $value): float
    {
        $share = ($value - $this->ys[0]) / ($this->ys[1] - $this->ys[0] ?: 1e-9);

        return round(self::TOP + min(1.06, max(-0.04, $share)) * (self::HEIGHT - self::TOP - self::BOTTOM), 1);
    }

    /** @param array<array-key, string> $said by value */
    public function xTicks(array $said): self
    {
        foreach ($said as $value => $text) {
            $this->xTicks[] = ['at' => $this->x((float) $value), 'said' => $text];
        }

        return $this;
    }

    /** @param list<float> $values */
    public function yTicks(array $values, callable $say): self
    {
        foreach ($values as $value) {
            $this->yTicks[] = ['at' => $this->y($value), 'said' => $say($value)];
        }

        return $this;
    }

    /** @param list<array{float, float, float}> $points x, and from which y to which */
    public function band(array $points, string $name): self
    {
        $last = $points[\count($points) - 1] ?? [0.0, 0.0, 0.0];
        $this->bandName = $name;
        [$low, $high] = [$this->y($last[1]), $this->y($last[2])];
        $this->bandIsThin = abs($low - $high) < self::NAME;
        $this->bandAt = $this->bandIsThin ? max($low, $high) + self::NAME : ($low + $high) / 2.0 + 5.0;
        $there = array_map(fn (array $p): string => $this->x($p[0]).' '.$this->y($p[1]), $points);
        $back = array_map(fn (array $p): string => $this->x($p[0]).' '.$this->y($p[2]), array_reverse($points));
        $this->band = [] === $points ? null : 'M'.implode('L', [...$there, ...$back]).'Z';

        return $this;
    }

    /**
     * @param list<array{float, float}> $points
     * @param string $kind read, lead, other, sound or was: how it is drawn
     */
    public function line(array $points, string $kind, string $label): self
    {
        if ([] === $points) {
            return $this;
        }
        $path = 'M'.implode('L', array_map(fn (array $p): string => $this->x($p[0]).' '.$this->y($p[1]), $points));
        [$x, $y] = $points[\count($points) - 1];
        $this->lines[] = [
            'path' => $path,
            'kind' => $kind,
            'label' => $label,
            'x' => $this->x($x),
            'y' => $this->y($y),
        ];

        return $this;
    }

    /** Moves the names of lines apart that end close together. */
    public function apart(): self
    {
        $order = array_keys($this->lines);
        usort($order, fn (int $a, int $b): int => $this->lines[$a]['y'] <=> $this->lines[$b]['y']);
        $free = 0.0;
        foreach ($order as $n) {
            $free = max($free, $this->lines[$n]['y'] - self::ABOVE);
            $this->lines[$n]['named'] = $free;
            $free += self::NAME;
        }
        // none below the axis, where its ticks are
        $lowest = (float) (self::HEIGHT - self::BOTTOM) - self::ABOVE;
        foreach (array_reverse($order) as $n) {
            $this->lines[$n]['named'] = min($lowest, $this->lines[$n]['named'] ?? $lowest);
            $lowest = $this->lines[$n]['named'] - self::NAME;
        }

        return $this;
    }

    public function point(float $x, float $y, string $said): self
    {
        $this->points[] = ['x' => $this->x($x), 'y' => $this->y($y), 'said' => $said];

        return $this;
    }

    /**
     * Steps of 1, 2 or 5 that part a range into some six.
     *
     * @return list<float>
     */
    public static function steps(float $from, float $to): array
    {
        $raw = max(1e-9, abs($to - $from)) / 6.0;
        $size = 10.0 ** floor(log10($raw));
        $step = $size * ($raw / $size < 1.5 ? 1.0 : ($raw / $size < 3.5 ? 2.0 : ($raw / $size < 7.5 ? 5.0 : 10.0)));
        $steps = [];
        for ($value = ceil(min($from, $to) / $step) * $step; $value <= max($from, $to) + 1e-9; $value += $step) {
            $steps[] = round($value, 6);
        }

        return $steps;
    }
}
