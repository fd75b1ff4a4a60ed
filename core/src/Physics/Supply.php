<?php

declare(strict_types=1);

namespace Rodrel\Core\Physics;

/** What fills the booster while a program runs. */
final readonly class Supply
{
    /**
     * @param float|null $kpa of vacuum; null for what the vehicle's own engine or pump makes
     * @param bool $steady it does not fade
     * @param float|null $from second at which the engine starts, without vacuum before it
     */
    private function __construct(public ?float $kpa, public bool $steady, public ?float $from)
    {
    }

    public static function engine(): self
    {
        return new self(null, false, null);
    }

    /** Whatever is left, where it is known. */
    public static function of(float $kpa): self
    {
        return new self($kpa, false, null);
    }

    /** Used up before the program begins, by pressing. */
    public static function spent(): self
    {
        return self::of(0.0);
    }

    /** A pump worked by hand at the booster, after its own vacuum is spent. */
    public static function handPump(float $kpa): self
    {
        return new self($kpa, true, null);
    }

    public static function engineFrom(float $second): self
    {
        return new self(null, false, $second);
    }

    /** Whether the pedal was pressed before, until nothing was left. */
    public function comesAfterPresses(): bool
    {
        return null !== $this->kpa;
    }
}
