<?php

declare(strict_types=1);

namespace App\History;

/** Figures over time in the size of a stamp: dots in order of their dates, joined, with a line at the limit. */
final readonly class SmallPlot
{
    public const WIDTH = 240;
    public const HEIGHT = 90;
    private const EDGE = 12.0;
    /** Without a limit: what changes by less than this share looks level. */
    private const ROOM = 0.8;

    /**
     * @param list<array{x: float, y: float}> $dots
     * @param list<array{at: \DateTimeImmutable, said: string}> $figures
     */
    private function __construct(
        public string $name,
        public array $dots,
        public string $path,
        public ?float $limitAt,
        public array $figures,
    ) {
    }

    /**
     * @param non-empty-list<array{at: \DateTimeImmutable, value: float, said: string}> $series oldest first
     * @param float|null $limit on the scale of the values
     */
    public static function of(string $name, array $series, ?float $limit): self
    {
        $values = array_column($series, 'value');
        $values = [...$values, ...null === $limit ? [self::ROOM * min($values), max($values) / self::ROOM] : [$limit]];
        $low = min($values);
        $span = max(1e-9, max($values) - $low);
        $first = $series[0]['at']->getTimestamp();
        $days = max(1, $series[\count($series) - 1]['at']->getTimestamp() - $first);
        $y = static fn (float $value): float => round(
            self::HEIGHT - self::EDGE - ($value - $low) / $span * (self::HEIGHT - 2.0 * self::EDGE),
            1,
        );
        $dots = array_map(
            static fn (array $one): array => [
                'x' => round(
                    self::EDGE + ($one['at']->getTimestamp() - $first) / $days * (self::WIDTH - 2.0 * self::EDGE),
                    1,
                ),
                'y' => $y($one['value']),
            ],
            $series,
        );

        return new self(
            $name,
            $dots,
            'M'.implode('L', array_map(static fn (array $dot): string => $dot['x'].' '.$dot['y'], $dots)),
            null === $limit ? null : $y($limit),
            array_map(static fn (array $one): array => ['at' => $one['at'], 'said' => $one['said']], $series),
        );
    }
}
