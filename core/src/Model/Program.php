<?php

declare(strict_types=1);

namespace Rodrel\Core\Model;

/** What is done at the pedal and when the vehicle is looked at. */
final readonly class Program
{
    /** Sample indices of press(): at the end of the hold, then so many seconds after the foot is off. */
    public const HELD = 0;
    public const AFTER_4_S = 1;
    public const AFTER_6_S = 2;
    public const AFTER_17_S = 3;
    public const AFTER_60_S = 4;
    public const AFTER_300_S = 5;
    /** Seconds since the foot is off, by sample. */
    public const SINCE_OFF_S = [self::AFTER_4_S => 4.0, self::AFTER_6_S => 6.0, self::AFTER_17_S => 17.0, self::AFTER_60_S => 60.0, self::AFTER_300_S => 300.0];

    /** @param non-empty-list<float> $sampleAt seconds, rising */
    public function __construct(public string $id, public Foot $foot, public array $sampleAt, public ?float $vacuumKpa = null)
    {
    }

    /** Press, hold, let go, engine running: the press of every spin and of every trap. */
    public static function press(float $forceN, float $holdS = 3.0): self
    {
        $off = 0.4 + $holdS + 0.2;

        return new self(\sprintf('press-%g-%g', $forceN, $holdS), Foot::press($forceN, 0.4, $holdS), [0.4 + $holdS, $off + 4.0, $off + 6.0, $off + 17.0, $off + 60.0, $off + 300.0]);
    }

    /** The same with the vacuum spent. */
    public static function pressEngineOff(float $forceN, float $holdS = 3.0): self
    {
        $on = self::press($forceN, $holdS);

        return new self('off-'.$on->id, $on->foot, $on->sampleAt, 0.0);
    }

    /** A steady hold: seen at 3.4 s, at 5.4 s and at its end. */
    public static function hold(float $forceN, float $seconds): self
    {
        return new self(\sprintf('hold-%g-%g', $forceN, $seconds), Foot::hold($forceN), [3.4, 5.4, 0.4 + $seconds]);
    }

    public function end(): float
    {
        return $this->sampleAt[\count($this->sampleAt) - 1];
    }
}
