<?php

declare(strict_types=1);

namespace Rodrel\Core\Check;

/**
 * What the figures of a held pedal say, in one sentence's key; see `docs/isolation.md`, "A held pedal".
 */
final readonly class HoldTold
{
    /** Less than this in a hold is the seat and the ruler (mm; estimate; plausible 2 to 5). */
    public const HOLDS_MM = 4.0;
    /** @var array<string, float> seconds by row of the firm hold */
    private const READ_AT_S = ['five' => 5.0, 'fifteen' => 15.0, 'thirty' => 30.0];
    /** Sinking on: the later half is at least so much of what the earlier pace would give (share; estimate). */
    private const GOES_ON = 0.55;
    /** A second hold that sinks less than this part of the first found its chamber full (share; estimate). */
    private const FULL = 0.35;

    /** @param float|null $mmPerS of the firm hold between two readings of it, where it sinks fastest */
    private function __construct(public string $key, public ?float $mmPerS)
    {
    }

    /**
     * @param array<string, float> $mm sink by row of the check: light, five, fifteen, thirty, again
     */
    public static function of(array $mm): self
    {
        $end = $mm['thirty'] ?? null;
        $firm = null === $end ? null : $end >= self::HOLDS_MM;
        $light = isset($mm['light']) ? $mm['light'] >= self::HOLDS_MM : null;

        return new self(match (true) {
            true === $firm && self::fills($mm) => 'fills',
            true === $firm => 'sinks-on',
            true === $light && false === $firm => 'lip',
            true === $light => 'light-only',
            false === $firm && false === $light => 'holds-both',
            false === $firm => 'holds',
            default => 'nothing',
        }, self::fastest($mm));
    }

    /** @param array<string, float> $mm */
    private static function fastest(array $mm): ?float
    {
        $fastest = null;
        $second = 1.0;
        $deep = 0.0;
        foreach (self::READ_AT_S as $row => $at) {
            if (isset($mm[$row])) {
                $fastest = max($fastest ?? 0.0, ($mm[$row] - $deep) / max(1e-9, $at - $second));
                $second = $at;
                $deep = $mm[$row];
            }
        }

        return $fastest;
    }

    /**
     * It slows down, and held again at once it does not sink: something was filling.
     *
     * @param array<string, float> $mm
     */
    private static function fills(array $mm): bool
    {
        $end = $mm['thirty'] ?? 0.0;
        $slows = isset($mm['fifteen']) && $mm['fifteen'] > 0.0
            && $end - $mm['fifteen'] < self::GOES_ON * $mm['fifteen'] * (15.0 / 14.0);
        $full = isset($mm['again']) && $mm['again'] < self::FULL * $end;

        return isset($mm['again']) ? $full : $slows;
    }
}
