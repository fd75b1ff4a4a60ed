<?php

declare(strict_types=1);

namespace Rodrel\Core\Tests\Physics;

use Rodrel\Core\Vehicle\Chamber;
use Rodrel\Core\Vehicle\Layout;
use Rodrel\Core\Vocabulary\Corner;

/**
 * A second way to the same figures, that shares nothing with the solver: a circuit that stands still is one volume at
 * one pressure, and what leaks from it is one equation, by fourth-order Runge-Kutta. For times long against the
 * milliseconds in which a press runs through the pipes.
 */
final class Lumped
{
    private const JOINT_ML_PER_KPA = 2e-6;

    /**
     * @param array<string, float> $air mL by corner, or `''` for the rest of the circuit
     * @param array<string, float> $more clearance in mL by corner
     */
    public function __construct(
        private readonly Layout $layout,
        private readonly array $air = [],
        private readonly array $more = [],
    ) {
    }

    /** p* of a foot in kPa, with so much vacuum. */
    public function kpa(float $footN, float $vacuumKpa, float $boreShare = 1.0): float
    {
        $in = $this->layout->pedal->ratio * $footN;
        $assist = $this->layout->assist;
        $helped = 0.0;
        if ($in > $assist->cutInN && $vacuumKpa > 0.0) {
            // a jump as the valve opens, then the gain
            $helped = max(0.0, $assist->jumpOutN - $assist->cutInN) + ($assist->gain - 1.0) * ($in - $assist->cutInN);
            $helped = min($helped, 0.1 * $assist->areaCm2 * $vacuumKpa);
        }
        $bore = $this->layout->masterBoreMm * $boreShare;
        $kpa = max(0.0, 0.9 * ($in + $helped) - 60.0) / (0.1 * \M_PI * $bore * $bore / 400.0);
        if (null === $assist->remote) {
            return $kpa;
        }
        $over = max(0.0, $kpa - $assist->remote->cutInKpa);

        return $kpa + min(($assist->remote->ratio - 1.0) * $over, $assist->remote->areaRatio * $vacuumKpa);
    }

    /** mL that a circuit takes at a pressure; behind a rear valve what that lets through. */
    public function volumeMl(Chamber $chamber, float $kpa): float
    {
        $joints = 2.0 + \count($chamber->wheels) * ($this->layout->pipework->modulator ? 2.0 : 1.0);
        $sum = $joints * self::JOINT_ML_PER_KPA * $kpa;
        foreach ($chamber->wheels as $wheel) {
            $sum += $this->wheelMl($wheel, $this->behindValve($wheel, $kpa));
        }
        $air = $this->air[''] ?? 0.0;

        return $sum + $air * $kpa / ($kpa + 101.0);
    }

    public function behindValve(Corner $wheel, float $kpa): float
    {
        $valve = $this->layout->pipework->valves[$wheel->value] ?? null;

        return null === $valve || $kpa <= $valve->kneeKpa
            ? $kpa
            : $valve->kneeKpa + $valve->slope * ($kpa - $valve->kneeKpa);
    }

    /** mm of pedal for so many mL from all chambers together. */
    public function travelMm(float $ml, float $boreShare = 1.0): float
    {
        $area = \M_PI * ($this->layout->masterBoreMm * $boreShare) ** 2 / 400.0;

        return $this->layout->pedal->ratio * ($this->layout->pedal->freeMm + 10.0 * $ml / $area);
    }

    /** mL of all circuits at one pressure. */
    public function allMl(float $kpa): float
    {
        return array_sum(
            array_map(fn (Chamber $chamber): float => $this->volumeMl($chamber, $kpa), $this->layout->chambers),
        );
    }

    /**
     * Pressure of a circuit that nothing feeds, so many seconds later.
     *
     * @param callable(float): float $lossMlPerS at a pressure
     */
    public function leftKpa(Chamber $chamber, float $kpa, callable $lossMlPerS, float $seconds): float
    {
        $steps = 20000;
        $h = $seconds / $steps;
        $give = fn (float $p): float => $this->volumeMl($chamber, $p + 1.0) - $this->volumeMl($chamber, $p - 1.0);
        $slope = static fn (float $p): float => -$lossMlPerS($p) * 2.0 / $give($p);
        for ($n = 0; $n < $steps; ++$n) {
            $a = $slope($kpa);
            $b = $slope($kpa + 0.5 * $h * $a);
            $c = $slope($kpa + 0.5 * $h * $b);
            $d = $slope($kpa + $h * $c);
            $kpa += $h * ($a + 2.0 * $b + 2.0 * $c + $d) / 6.0;
        }

        return $kpa;
    }

    private function wheelMl(Corner $wheel, float $kpa): float
    {
        $cylinder = $this->layout->brake($wheel)->cylinder;
        $clearance = $cylinder->clearanceMl + ($this->more[$wheel->value] ?? 0.0);
        $over = max(0.0, $kpa - $cylinder->springKpa);
        $air = $this->air[$wheel->value] ?? 0.0;

        return $clearance * (1.0 - exp(-$over / $cylinder->touchKpa))
            + $cylinder->stiffnessMlPerKpa * $kpa
            + $air * $kpa / ($kpa + 101.0);
    }
}
