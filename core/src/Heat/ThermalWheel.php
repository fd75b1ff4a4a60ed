<?php

declare(strict_types=1);

namespace Rodrel\Core\Heat;

use Rodrel\Core\Vehicle\WheelBrake;

/**
 * A rotor or drum as one lump of iron:
 * m·c·dT/dt = power − losses·((2.0 + 0.28·v)·(T − T_air) + 0.10·σ·(T⁴ − T_air⁴)), v in m/s, last term in kelvin.
 * Losses go with the surface, that is with m^⅔: those of a free front rotor of 6 kg are 1.
 */
final readonly class ThermalWheel
{
    private const IRON_J_PER_KG_K = 460.0; // handbook
    private const STEFAN_BOLTZMANN = 5.670374e-8; // W/m²K⁴, law
    private const RADIATING_M2 = 0.1; // handbook
    private const STILL_AIR_W_PER_K = 2.0; // handbook
    private const MOVING_AIR_W_PER_K_PER_M_S = 0.28; // handbook
    /** The lump is slow (minutes): the fourth-order rule is exact to a tenth of a kelvin at this step. */
    private const STEP_S = 15.0;
    /** Within a step drag is read so often: once in three seconds. */
    private const PARTS = 5;
    private const ZERO_C_IN_K = 273.15; // law
    private const USUAL_KG = 6.0; // handbook

    private float $losses;

    private function __construct(private float $massKg, float $lossShare)
    {
        $this->losses = $lossShare * self::surface($massKg);
    }

    /** Surface of a rotor against that of the usual one. */
    public static function surface(float $massKg): float
    {
        return ($massKg / self::USUAL_KG) ** (2.0 / 3.0);
    }

    /** How much slower a rotor cools than the usual one: mass over surface. */
    public static function slower(float $massKg): float
    {
        return ($massKg / self::USUAL_KG) ** (1.0 / 3.0);
    }

    public static function of(WheelBrake $brake): self
    {
        return new self($brake->lining->rotorKg, $brake->lining->lossShare);
    }

    /**
     * Kelvins over the air at the end of a drive.
     *
     * @param callable(float): float $dragNm drag torque at a time since the last press, N·m
     * @param float $stopJoule what this wheel takes of each stop
     */
    public function afterDrive(Drive $drive, callable $dragNm, float $stopJoule, float $tyreRadiusM, float $airC): float
    {
        $excess = 0.0;
        $legs = max(1, $drive->stops);
        $leg = $drive->seconds / $legs;
        $steps = (int) ceil($leg / self::STEP_S);
        $h = $leg / $steps;
        for ($stop = 0; $stop < $legs; ++$stop) {
            for ($n = 0; $n < $steps; ++$n) {
                $power = (self::mean($dragNm, $n * $h, $h) * $drive->speedMPerS) / $tyreRadiusM;
                $excess = $this->step($excess, $power, $drive->speedMPerS, $airC, $h);
            }
            $excess += $drive->stops > 0 ? $this->ofStop($stopJoule) : 0.0;
        }

        return $excess;
    }

    /**
     * Drag over a step: what a press leaves behind fades within it, so that its middle is not its mean.
     *
     * @param callable(float): float $dragNm
     */
    private static function mean(callable $dragNm, float $from, float $h): float
    {
        $sum = 0.0;
        for ($n = 0; $n < self::PARTS; ++$n) {
            $sum += $dragNm($from + ($n + 0.5) * $h / self::PARTS);
        }

        return $sum / self::PARTS;
    }

    /** Kelvins that one stop adds, all of it in the iron: E / (m·c). */
    public function ofStop(float $joule): float
    {
        return $joule / ($this->massKg * self::IRON_J_PER_KG_K);
    }

    /** Kelvins over the air after standing for some seconds. */
    public function afterStanding(float $excessK, float $seconds, float $airC): float
    {
        for ($t = 0.0; $t < $seconds; $t += self::STEP_S) {
            $excessK = $this->step($excessK, 0.0, 0.0, $airC, min(self::STEP_S, $seconds - $t));
        }

        return $excessK;
    }

    /** One step by the classical fourth-order rule. */
    private function step(float $excess, float $power, float $speed, float $airC, float $h): float
    {
        $perJoule = 1.0 / ($this->massKg * self::IRON_J_PER_KG_K);
        $air = $airC + self::ZERO_C_IN_K;
        $radiates = $this->losses * self::RADIATING_M2 * self::STEFAN_BOLTZMANN * $perJoule;
        $cools = $this->losses * (self::STILL_AIR_W_PER_K + self::MOVING_AIR_W_PER_K_PER_M_S * $speed) * $perJoule;
        $gains = $power * $perJoule + $radiates * self::fourth($air);
        $a = $gains - $cools * $excess - $radiates * self::fourth($air + $excess);
        $e = $excess + 0.5 * $h * $a;
        $b = $gains - $cools * $e - $radiates * self::fourth($air + $e);
        $e = $excess + 0.5 * $h * $b;
        $c = $gains - $cools * $e - $radiates * self::fourth($air + $e);
        $e = $excess + $h * $c;
        $d = $gains - $cools * $e - $radiates * self::fourth($air + $e);

        return $excess + ($h / 6.0) * ($a + 2.0 * $b + 2.0 * $c + $d);
    }

    private static function fourth(float $kelvin): float
    {
        return $kelvin * $kelvin * $kelvin * $kelvin;
    }
}
