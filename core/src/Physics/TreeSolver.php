<?php

declare(strict_types=1);

namespace Rodrel\Core\Physics;

/**
 * The pressures of a tree of pipes at the end of one step: a damped Newton iteration on V(p), eliminated from the
 * wheels inward.
 *
 * @internal
 */
final readonly class TreeSolver
{
    private const ITERATIONS = 30;
    /**
     * An iteration that moves no pressure by more than these mL let through a cup in the step is the last one, within
     * two bounds in kPa: what it leaves is of the square of that.
     */
    private const LAST_ML = 1e-6;
    private const LAST_KPA = [1e-5, 1e-3];

    /**
     * The hot loop: one method on local arrays, since calls and objects cost several times the arithmetic.
     *
     * @param array<int, float> $p pressures to start from
     * @param list<int> $opened nodes that stand open to the air
     * @param float|null $held chamber pressure when the rod holds it, else the chamber floats
     * @param float $supply mL/s that a moving piston gives to a floating chamber
     *
     * @return array{array<int, float>, float}|null pressures and mL/s from the chamber into the line
     */
    public function solve(
        Circuit $circuit,
        array $p,
        StepRule $rule,
        array $opened,
        ?float $held,
        float $supply,
        bool $port,
    ): ?array {
        $n = \count($p);
        $parent = $circuit->parent;
        $gf = $circuit->forward;
        $gr = $circuit->return;
        $hold = $circuit->hold;
        $bend = $circuit->bend;
        $knee = $circuit->knee;
        $slope = $circuit->slope;
        $meter = $circuit->meter;
        $metered = $circuit->metered;
        $stiff = $circuit->stiffness;
        $clear = $circuit->clearance;
        $spring = $circuit->springKpa;
        $yield = $circuit->yields;
        $soft = $circuit->soft;
        $air = $circuit->airy;
        $leak = $circuit->leak;
        foreach ($opened as $node) {
            $leak[$node] += Circuit::G_OPENED;
        }
        $perS = $rule->perS;
        // of the residual and its slope what no iteration changes
        $start = $rule->volumes;
        $firm = $stiff;
        for ($i = 0; $i < $n; ++$i) {
            $start[$i] *= $perS;
            $firm[$i] = $stiff[$i] * $perS + $leak[$i];
        }
        $last = max(self::LAST_KPA[0], min(self::LAST_KPA[1], self::LAST_ML / ($rule->h * Circuit::G_CUP)));
        if (null !== $held) {
            $p[0] = $held;
        }
        $a = $b = $up = $delta = $inverse = $p;
        for ($iteration = 0; $iteration < self::ITERATIONS; ++$iteration) {
            $a = $firm;
            $b = $start;
            foreach ($soft as $i) {
                $over = $p[$i] - $spring[$i];
                if ($over > -0.5) {
                    $rise = 1.0;
                    if ($over < 0.5) {
                        $rise = $over + 0.5;
                        $over = $rise * $rise * 0.5;
                    }
                    $x = $clear[$i];
                    $v = $yield[$i];
                    $e = $x * exp(-$over * $v);
                    $b[$i] -= ($x - $e) * $perS;
                    $a[$i] += $rise * $e * $perS * $v;
                }
            }
            foreach ($air as $i => $ml) {
                $x = $p[$i];
                $q = 1.0 / ($x + 101.0);
                $b[$i] -= $ml * $x * $q * $perS;
                $a[$i] += $ml * 101.0 * $q * $q * $perS;
            }
            for ($i = $n - 1; $i > 0; --$i) {
                $j = $parent[$i];
                $x = $p[$i];
                $y = $p[$j];
                $s = 1.0;
                $z = $y;
                if ($y > $bend[$i]) {
                    if ($y > $knee[$i]) {
                        $s = $slope[$i];
                        $z = $knee[$i] + $s * ($y - $knee[$i]);
                    } elseif ($y < $metered[$i]) {
                        $s = $y > $meter[$i] ? Circuit::METERING : 0.0;
                        $z = $s * ($y - $meter[$i]);
                    }
                }
                $d = $z - $x;
                if ($d > 0.0) {
                    $v = $gf[$i];
                    $flow = $v * $d;
                    $u = $v * $s;
                } else {
                    $z = $hold[$i];
                    $d = $x - $y - $z;
                    if ($d > 0.0 || (0.0 === $d && 0.0 === $z)) {
                        $v = $gr[$i];
                        $u = $v;
                        $flow = -$v * $d;
                    } else {
                        $flow = $u = $v = 0.0;
                    }
                }
                $inverse[$i] = $w = 1.0 / ($a[$i] + $v);
                $w *= $v;
                $b[$i] = $x = $b[$i] - $firm[$i] * $x + $flow;
                $up[$i] = $u;
                $a[$j] += $u - $w * $u;
                $b[$j] += $w * $x - $flow;
            }
            $delta[0] = 0.0;
            if (null === $held) {
                $x = $p[0];
                $light = $circuit->bypassLight > 0.0 ? $circuit->bypassLight * exp(-max(0.0, $x) / 500.0) : 0.0;
                $g = $circuit->bypassHard + $light;
                $loss = $g * $x;
                if ($x < 0.0) {
                    $g += Circuit::G_CUP;
                    $loss += Circuit::G_CUP * $x;
                } elseif ($port) {
                    $g += $circuit->piston->portMlPerSKpa;
                    $loss += $circuit->piston->portMlPerSKpa * $x;
                }
                $delta[0] = ($b[0] - $firm[0] * $x + $supply - $loss) / ($a[0] + $g + 1e-12);
                $p[0] = $x + $delta[0];
            }
            $low = $high = $delta[0];
            for ($i = 1; $i < $n; ++$i) {
                $delta[$i] = $x = ($b[$i] + $up[$i] * $delta[$parent[$i]]) * $inverse[$i];
                $y = $p[$i] + $x;
                $p[$i] = $y < -100.0 ? 0.5 * ($y - $x - 100.0) : $y;
                if ($x > $high) {
                    $high = $x;
                } elseif ($x < $low) {
                    $low = $x;
                }
            }
            foreach ($soft as $i) {
                // V(p) is steep just above the corner and flat elsewhere: never jump across it
                $x = $spring[$i] + 0.5;
                $y = $p[$i] - $x;
                if ($y * ($y - $delta[$i]) < -1e-6) {
                    $p[$i] = $x;
                }
            }
            if ($high < $last && $low > -$last) {
                return [$p, $this->outflow($circuit, $p)];
            }
        }

        return null;
    }

    /** @param array<int, float> $p */
    private function outflow(Circuit $c, array $p): float
    {
        $sum = 0.0;
        foreach ($c->fromChamber as $i) {
            $d = $p[0] - $p[$i];
            $sum += $d > 0.0 ? $c->forward[$i] * $d : -$c->return[$i] * max(0.0, -$d - $c->hold[$i]);
        }

        return $sum;
    }
}
