<?php

declare(strict_types=1);

namespace Rodrel\Core\Physics;

use Rodrel\Core\Vehicle\Layout;

/**
 * The vacuum behind a booster as a state: what the supply gives, how fast, and how long it stays. See
 * `docs/hydraulics.md`, "Vacuum".
 */
final readonly class Vacuum
{
    /** A sound booster keeps some of it over a night (time constant, s; estimate; handbook: over 12 min). */
    public const KEEPS_S = 72000.0;
    /** Of what is left, a firm stroke leaves so much (handbook). */
    private const LEFT_BY_A_STROKE = 0.65;
    /** Below this nobody feels a stroke as assisted (kPa; estimate; plausible 15 to 30). */
    public const FELT_KPA = 20.0;
    /** A needle that fell to nothing in a minute: this share is left (so that it has a time constant). */
    private const LEAST_LEFT = 0.01;
    /** The least of a stroke that is worth writing, so that ratios stay finite. */
    private const LEAST_STROKE = 0.05;

    private function __construct(public float $kpa, private float $fillsS, private float $keepsS)
    {
    }

    public static function of(Layout $layout, Effects $effects): self
    {
        return new self(
            $effects->value('booster', null, 'vacuum_kpa', $layout->assist->vacuumKpa),
            $effects->value('booster', null, 'fill_s', Start::FILLS_S),
            $effects->value('booster', null, 'keep_s', self::KEEPS_S),
        );
    }

    /**
     * What a gauge told: so much running, and so much less after a minute. Bounded, so that a needle that fell to zero
     * still has a time.
     */
    public static function read(float $kpa, float $lostKpa): self
    {
        $left = max(self::LEAST_LEFT, 1.0 - $lostKpa / max(1e-9, $kpa));

        return new self($kpa, Start::FILLS_S, $left >= 1.0 ? self::KEEPS_S : -60.0 / log($left));
    }

    /** Vacuum in kPa so many seconds after the engine was stopped, pedal up. */
    public function after(float $seconds): float
    {
        return $this->kpa * exp(-$seconds / $this->keepsS);
    }

    /** Firm strokes until the assist is no longer felt: each leaves 0.65 of what is there. */
    public function strokesAfter(float $seconds): float
    {
        $left = $this->after($seconds);

        return $left > self::FELT_KPA
            ? 1.0 + log($left / self::FELT_KPA) / -log(self::LEFT_BY_A_STROKE)
            : max(self::LEAST_STROKE, $left / self::FELT_KPA);
    }

    public function lostInAMinuteKpa(): float
    {
        return $this->kpa - $this->after(60.0);
    }

    /** Three time constants: 95 %. */
    public function fillsInS(): float
    {
        return 3.0 * $this->fillsS;
    }
}
