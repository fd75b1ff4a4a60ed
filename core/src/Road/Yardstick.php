<?php

declare(strict_types=1);

namespace Rodrel\Core\Road;

use Rodrel\Core\Heat\ThermalWheel;
use Rodrel\Core\Physics\Booster;
use Rodrel\Core\Physics\Circuit;
use Rodrel\Core\Physics\CircuitBuilder;
use Rodrel\Core\Physics\Effects;
use Rodrel\Core\Vehicle\Chamber;
use Rodrel\Core\Vehicle\Layout;
use Rodrel\Core\Vocabulary\Corner;

/**
 * Whether a layout brakes as vehicles do (handbook): the front axle reaches its grip first, a firm press is a firm
 * stop, one stop from 100 km/h warms the front rotors as iron of their size is warmed. Where it does not, its
 * predictions are of no vehicle, and some figure of it is wrong. Pressures are those of a held pedal.
 */
final readonly class Yardstick
{
    public const FIRM_ASSISTED_N = 150.0;    // handbook
    public const FIRM_UNASSISTED_N = 400.0;  // handbook
    public const FIRM_G = [0.6, 1.0];        // handbook
    public const FRONT_FIRST_TO_G = 0.8;     // handbook
    public const ROTOR_K = [60.0, 110.0];    // one stop from 100 km/h, front rotors (handbook)
    /** No foot pushes harder (N; estimate). */
    private const HARDEST_N = 1500.0;
    private const STEP_N = 5.0;
    private const FAST_M_S = 100.0 / 3.6;
    private const GRAVITY = 9.81;  // m/s², law

    private Booster $booster;
    /** @var list<Circuit> */
    private array $circuits;
    private Road $road;

    public function __construct(private Layout $layout)
    {
        $this->booster = new Booster($layout, $layout->assist->vacuumKpa);
        $this->road = Road::dry($layout);
        $builder = new CircuitBuilder($layout);
        $this->circuits = array_map(
            static fn (Chamber $chamber): Circuit => $builder->build($chamber, Effects::none()),
            $layout->chambers,
        );
    }

    /** @return list<string> which of the laws `rear-first`, `firm-press`, `rotor-heat` the layout breaks */
    public function broken(): array
    {
        if (!$this->layout->reach()->isHydraulic()) {
            return []; // its pressures are stand-ins
        }
        $broken = [];
        if (null !== $this->rearFirstAtG()) {
            $broken[] = 'rear-first';
        }
        $firm = $this->firmG();
        if ($firm < self::FIRM_G[0] || $firm > self::FIRM_G[1]) {
            $broken[] = 'firm-press';
        }
        $rotor = $this->rotorK();
        if (null !== $rotor && ($rotor < self::ROTOR_K[0] || $rotor > self::ROTOR_K[1])) {
            $broken[] = 'rotor-heat';
        }

        return $broken;
    }

    /** Braking of a firm press in g, were there grip without end. */
    public function firmG(): float
    {
        return $this->g($this->torques($this->firmN()));
    }

    /** The first braking in g at which the rear axle uses more of its grip than the front; null when there is none. */
    public function rearFirstAtG(): ?float
    {
        for ($footN = self::STEP_N; $footN <= self::HARDEST_N; $footN += self::STEP_N) {
            if ($this->booster->chamberKpa($footN) < Circuit::METERED * ($this->layout->pipework->meteringKpa ?? 0.0)) {
                continue; // a metering valve lets the rear shoes come first, and means to
            }
            $torques = $this->torques($footN);
            $g = $this->g($torques);
            if ($g > self::FRONT_FIRST_TO_G) {
                return null;
            }
            $used = $this->road->gripUsed($torques);
            if ($g > 0.0 && max($used['lr'], $used['rr']) > max($used['lf'], $used['rf'])) {
                return $g;
            }
        }

        return null;
    }

    /** How much one firm stop from 100 km/h warms a front rotor, K; null with drums in front. */
    public function rotorK(): ?float
    {
        $front = $this->layout->brake(Corner::LeftFront);
        $torques = $this->torques($this->firmN());
        $all = array_sum($torques);
        if (!$front->disc || $all <= 0.0) {
            return null;
        }
        $joule = 0.5 * $this->layout->body->massKg * self::FAST_M_S ** 2 * $torques['lf'] / $all;

        return ThermalWheel::of($front)->ofStop($joule);
    }

    private function firmN(): float
    {
        return $this->layout->hasAssist() ? self::FIRM_ASSISTED_N : self::FIRM_UNASSISTED_N;
    }

    /** @param array<string, float> $torques N·m by corner */
    private function g(array $torques): float
    {
        $body = $this->layout->body;

        return array_sum($torques) / $body->tyreRadiusM / ($body->massKg * self::GRAVITY);
    }

    /** @return array<string, float> N·m by corner with the pedal held */
    private function torques(float $footN): array
    {
        $kpa = $this->booster->chamberKpa($footN);
        $torques = [];
        foreach ($this->circuits as $circuit) {
            foreach (array_keys($circuit->wheelNode) as $corner) {
                $torques[$corner] = $circuit->heldTorqueNm($corner, $kpa);
            }
        }

        return $torques;
    }
}
