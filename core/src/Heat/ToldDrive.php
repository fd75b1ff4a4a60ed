<?php

declare(strict_types=1);

namespace Rodrel\Core\Heat;

use Rodrel\Core\Vehicle\Layout;
use Rodrel\Core\Vocabulary\Corner;

/**
 * The drive behind four temperatures as the driver tells it. What a sound vehicle would show is known for the
 * catalogue's drive; on another one it is that, times what the thermal model makes of the difference.
 */
final readonly class ToldDrive
{
    /** How a reading keeps it beside its answers. */
    public const MINUTES = 'drive-minutes';
    public const KMH = 'drive-kmh';
    public const STOPS = 'drive-stops';
    public const DOWNHILL = 'drive-downhill';
    public const PARKING = 'drive-parking';
    /** What one wheel takes of a gentle stop where no drive with stops says it (share; model, an 80 N stop). */
    private const FRONT_SHARE = 0.36;
    private const REAR_SHARE = 0.14;
    /** No telling makes a wheel so much hotter or cooler than the catalogue's drive. */
    private const MOST = 8.0;
    private const MOST_JOULE = 2e6;
    /** The air that a comparison is made in; it moves the ratio by a hundredth. */
    private const AIR_C = 15.0;

    private function __construct(public Drive $drive, public bool $downhill, public bool $parking)
    {
    }

    /** @param array<string, string> $noted beside the answers; null where minutes or speed are not told */
    public static function read(array $noted): ?self
    {
        $number = static fn (string $key): float => (float) str_replace(',', '.', $noted[$key] ?? '');
        if ($number(self::MINUTES) <= 0.0 || $number(self::KMH) <= 0.0) {
            return null;
        }

        return new self(
            new Drive('told', $number(self::KMH) / 3.6, 60.0 * $number(self::MINUTES), (int) $number(self::STOPS)),
            isset($noted[self::DOWNHILL]),
            isset($noted[self::PARKING]),
        );
    }

    /** Downhill, or with the parking brake on, a wheel is hot for reasons that no model of the drive knows. */
    public function isDoubtful(): bool
    {
        return $this->downhill || $this->parking;
    }

    /**
     * How much hotter a sound wheel comes from this drive than from the catalogue's.
     *
     * @param float $knownK what it shows after the catalogue's, over the air
     */
    public function factor(Layout $layout, Corner $corner, Drive $known, float $knownK): float
    {
        $wheel = ThermalWheel::of($layout->brake($corner));
        $base = $layout->brake($corner)->lining->baseDragNm;
        $heat = static fn (Drive $drive, float $joule): float => $wheel->afterDrive(
            $drive,
            static fn (): float => $base,
            $joule,
            $layout->body->tyreRadiusM,
            self::AIR_C,
        );
        $joule = $known->stops > 0
            ? self::jouleOf(static fn (float $joule): float => $heat($known, $joule), $knownK)
            : ($corner->isFront() ? self::FRONT_SHARE : self::REAR_SHARE) * $known->stopJoule($layout->body->massKg);
        // a stop from another speed takes its energy: v²
        $told = $heat($this->drive, $joule * ($this->drive->speedMPerS / $known->speedMPerS) ** 2);

        return max(1.0 / self::MOST, min(self::MOST, $told / max(1.0, $heat($known, $joule))));
    }

    /** @param callable(float): float $heat of joules at each stop */
    private static function jouleOf(callable $heat, float $knownK): float
    {
        $low = 0.0;
        $high = self::MOST_JOULE;
        for ($i = 0; $i < 40; ++$i) {
            $middle = ($low + $high) / 2.0;
            [$low, $high] = $heat($middle) < $knownK ? [$middle, $high] : [$low, $middle];
        }

        return $low;
    }
}
