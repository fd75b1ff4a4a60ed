<?php

declare(strict_types=1);

namespace Rodrel\Core\Heat;

/** What an infrared thermometer really looked at: T⁴ = T_air⁴ + (ε_gun/ε)·(T_read⁴ − T_air⁴), in kelvin. */
final readonly class Infrared
{
    /** Emissivity of what is aimed at (general tables of materials). */
    public const SURFACES = [
        'rusty' => 0.9,
        'painted' => 0.9,
        'worn-grey' => 0.4,
        'bright' => 0.25,
        'bare-aluminium' => 0.15,
    ];
    /** Below this a reading is not corrected but refused: the correction would be mostly noise. */
    private const REFUSED_BELOW = 0.35;
    /** Below this it is corrected, and good for side against side on equal faces only. */
    private const WEAK_BELOW = 0.5;

    /** Whether what was aimed at tells side against side and little more. */
    public static function isWeak(string $surface): bool
    {
        return (self::SURFACES[$surface] ?? 1.0) < self::WEAK_BELOW;
    }

    /**
     * @return float °C
     *
     * @throws TooBright when the surface is a mirror: use tape, chalk, a marker or a contact probe
     */
    public static function corrected(float $readC, float $airC, string $surface, float $gun = 0.95): float
    {
        $emissivity = self::SURFACES[$surface] ?? throw TooBright::unknown($surface);
        if ($emissivity < self::REFUSED_BELOW) {
            throw TooBright::surface($surface);
        }
        $air = ($airC + 273.15) ** 4;

        return ($air + ($gun / $emissivity) * (($readC + 273.15) ** 4 - $air)) ** 0.25 - 273.15;
    }
}
