<?php

declare(strict_types=1);

namespace Rodrel\Core\Heat;

use Rodrel\Core\Vehicle\Layout;
use Rodrel\Core\Vocabulary\Corner;

/**
 * Four temperatures made comparable: corrected to the moment of stopping where the physics allows it, set beside the
 * partner and beside what the layout should show on the same drive, and turned into watts and N·m of drag.
 */
final readonly class HeatRound
{
    /**
     * Share of the rotor's excess that each place takes on (handbook); only the rotor or drum itself is followed in
     * time.
     */
    public const PLACES = [self::ROTOR => 1.0, 'caliper' => 0.35, 'wheel-centre' => 0.2, 'rim' => 0.1];
    public const ROTOR = 'rotor';
    /** Standing time constant of a rotor or drum, s (handbook: about 16 min). */
    public const STANDING_S = 960.0;
    /** Later than this a caliper, wheel centre or rim says little about the drive, s (handbook). */
    public const LATEST_S = 360.0;
    private const LEAST_TAU_S = 240.0;
    private const MOST_TAU_S = 3600.0;
    private const LEAST_EXCESS_K = 2.0;
    /** A wheel this much hotter than its partner, and so many kelvins, is worth a word (estimate; 1.3 to 2). */
    private const APART = 1.5;
    private const APART_K = 8.0;
    private const MOST_DRAG_NM = 800.0;

    /**
     * @param array<string, array{excess_k: float, expected_k: float, drag_nm: float, watts: float}> $wheels by corner
     * @param array<string, array{apart_k: float, hotter: string|null, cold: string|null}> $axles `front`, `rear`
     * @param float|null $tauS cooling measured on the first wheel, s
     */
    private function __construct(public Drive $drive, public array $wheels, public array $axles, public ?float $tauS)
    {
    }

    /**
     * Kelvins over the air of the rotor or drum at the moment of stopping.
     *
     * @param float $excessK measured over the air, already corrected for the surface
     * @param float $sinceS seconds since the stop
     * @param float $tauS time constant of a standing rotor
     *
     * @throws TooLate when the place says nothing about the drive any more
     */
    public static function atStop(float $excessK, string $place, float $sinceS, float $tauS = self::STANDING_S): float
    {
        $share = self::PLACES[$place] ?? throw new \LogicException(\sprintf('There is no place "%s".', $place));
        if (1.0 === $share) {
            return $excessK * exp($sinceS / $tauS);
        }

        return $sinceS <= self::LATEST_S ? $excessK / $share : throw TooLate::at($place);
    }

    /** What was measured over the air before atStop() carried it back. */
    public static function rawOf(float $atStopK, string $place, float $sinceS, float $tauS = self::STANDING_S): float
    {
        $share = self::PLACES[$place] ?? 1.0;

        return 1.0 === $share ? $atStopK * exp(-$sinceS / $tauS) : $atStopK * $share;
    }

    /** The time constant that two readings of one wheel show; null when they do not say. */
    public static function cooling(float $firstK, float $firstS, float $againK, float $againS): ?float
    {
        if (
            $firstK <= self::LEAST_EXCESS_K
            || $againK <= self::LEAST_EXCESS_K
            || $againK >= $firstK
            || $againS <= $firstS
        ) {
            return null;
        }
        $tau = ($againS - $firstS) / log($firstK / $againK);

        return $tau >= self::LEAST_TAU_S && $tau <= self::MOST_TAU_S ? $tau : null;
    }

    /**
     * @param array<string, float> $excessK at the stop, by corner
     * @param array<string, float> $expectedK what a sound vehicle of this layout shows on this drive
     */
    public static function of(
        Layout $layout,
        Drive $drive,
        array $excessK,
        array $expectedK,
        float $airC,
        ?float $tauS = null,
    ): self {
        $wheels = [];
        foreach (Corner::cases() as $corner) {
            $id = $corner->value;
            $drag = self::dragNm($layout, $corner, $drive, $excessK[$id], $expectedK[$id], $airC);
            $wheels[$id] = [
                'excess_k' => $excessK[$id],
                'expected_k' => $expectedK[$id],
                'drag_nm' => $drag,
                'watts' => ($drag * $drive->speedMPerS) / $layout->body->tyreRadiusM,
            ];
        }
        $axles = [];
        foreach (['front' => ['lf', 'rf'], 'rear' => ['lr', 'rr']] as $axle => [$left, $right]) {
            $apart = $excessK[$left] - $excessK[$right];
            [$hot, $cool] = $apart >= 0.0 ? [$left, $right] : [$right, $left];
            $differs = abs($apart) >= self::APART_K && $excessK[$hot] >= self::APART * $excessK[$cool];
            // on a drive with stops the hot wheel may be the sound one: it is where it should be and its partner is not
            $cold
                = $differs
                && $drive->stops > 0
                && $excessK[$hot] < self::APART * $expectedK[$hot]
                && $excessK[$cool] * self::APART < $expectedK[$cool];
            $axles[$axle] = [
                'apart_k' => abs($apart),
                'hotter' => $differs ? $hot : null,
                'cold' => $cold ? $cool : null,
            ];
        }

        return new self($drive, $wheels, $axles, $tauS);
    }

    /**
     * The steady torque beyond the layout's own that explains the heat over what is expected, by bisection on the
     * thermal model; 0 for a wheel that is no hotter than expected.
     */
    private static function dragNm(
        Layout $layout,
        Corner $corner,
        Drive $drive,
        float $excessK,
        float $expectedK,
        float $airC,
    ): float {
        $over = $excessK - $expectedK;
        if ($over <= self::LEAST_EXCESS_K) {
            return 0.0;
        }
        $wheel = ThermalWheel::of($layout->brake($corner));
        $base = $layout->brake($corner)->lining->baseDragNm;
        $radius = $layout->body->tyreRadiusM;
        $heat = static fn (float $nm): float => $wheel->afterDrive(
            $drive,
            static fn (): float => $nm,
            0.0,
            $radius,
            $airC,
        );
        $own = $heat($base);
        $low = 0.0;
        $high = self::MOST_DRAG_NM;
        for ($i = 0; $i < 30; ++$i) {
            $middle = ($low + $high) / 2.0;
            [$low, $high] = $heat($base + $middle) - $own < $over ? [$middle, $high] : [$low, $middle];
        }

        return $low;
    }
}
