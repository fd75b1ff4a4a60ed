<?php

declare(strict_types=1);

namespace Rodrel\Core\Physics;

use Rodrel\Core\InvalidData;
use Rodrel\Core\Vehicle\Reach;

/**
 * Gas behind a piston or bladder, and the fluid it holds: p Vⁿ stays the same, with pressures from nothing, not
 * from the air; n is 1 while its pump fills it slowly, more while it is pressed
 * out. Pressures here are as a gauge shows them, in kPa; volumes in mL. See `docs/hydraulics.md`, "Stored
 * pressure".
 */
final readonly class Accumulator
{
    /** Presses a few seconds apart: between slow (1) and sudden (1.4) change (estimate; plausible 1.1 to 1.3). */
    public const EXPONENT = 1.2;
    private const AIR_KPA = 101.3;

    /**
     * @param float $gasKpa pre-charge: the gas with no fluid behind it
     * @param float $volumeMl of the gas then
     * @param float $fullKpa at which its pump stops
     * @param float $lampKpa at which the lamp lights
     * @param float $eachMl fluid of one press
     *
     * @throws InvalidData when the figures cannot belong together
     */
    public function __construct(
        public float $gasKpa,
        public float $volumeMl,
        public float $fullKpa,
        public float $lampKpa,
        public float $eachMl,
    ) {
        if ($gasKpa < 0.0 || min($volumeMl, $lampKpa, $eachMl) <= 0.0 || $fullKpa <= $lampKpa) {
            throw InvalidData::at('/stored', 'a lamp below full pressure, and volumes of gas and press, are expected');
        }
    }

    /**
     * Typical of its kind until the service data's own is typed (estimate; pre-charge plausible 0.4 to 0.6 of full).
     */
    public static function typical(Reach $reach): self
    {
        return Reach::Unit === $reach
            ? new self(8000.0, 250.0, 18000.0, 10500.0, 12.0)
            : new self(5500.0, 750.0, 15000.0, 9000.0, 30.0);
    }

    /** With another pre-charge. */
    public function charged(float $gasKpa): self
    {
        return new self($gasKpa, $this->volumeMl, $this->fullKpa, $this->lampKpa, $this->eachMl);
    }

    /** Fluid that it holds once its pump stopped, in mL; none where its gas is charged higher. */
    public function holdsMl(): float
    {
        return $this->volumeMl - $this->gasMl();
    }

    /** Presses from full pressure until the lamp lights: not whole, and none where the pump alone held it up. */
    public function presses(): float
    {
        // where the lamp is below the pre-charge the fluid is gone before it lights
        return (min($this->volumeMl, $this->gasMl() * $this->grows()) - $this->gasMl()) / $this->eachMl;
    }

    /** Pressure after so many presses, in kPa; what is pressed out beyond what it holds leaves none. */
    public function after(float $presses): float
    {
        $gas = $this->gasMl() + $presses * $this->eachMl;

        return $gas >= $this->volumeMl
            ? 0.0
            : self::absolute($this->fullKpa) * ($this->gasMl() / $gas) ** self::EXPONENT - self::AIR_KPA;
    }

    /**
     * The pre-charge in kPa behind which so many presses go to the lamp; null where no charge explains so many. Of the
     * two that can (one too low, one above the lamp) the lower: gas is lost, not gained.
     */
    public function gasFor(float $presses): ?float
    {
        $ml = $presses * $this->eachMl / ($this->grows() - 1.0);
        $gas = self::absolute($this->fullKpa) * $ml / $this->volumeMl - self::AIR_KPA;

        return $gas > $this->lampKpa ? null : max(0.0, $gas);
    }

    /** Of the gas when the pump stops. */
    private function gasMl(): float
    {
        return $this->volumeMl * min(1.0, self::absolute($this->gasKpa) / self::absolute($this->fullKpa));
    }

    /** How many times its volume the gas has when the lamp lights. */
    private function grows(): float
    {
        return (self::absolute($this->fullKpa) / self::absolute($this->lampKpa)) ** (1.0 / self::EXPONENT);
    }

    private static function absolute(float $kpa): float
    {
        return $kpa + self::AIR_KPA;
    }
}
