<?php

declare(strict_types=1);

namespace Rodrel\Core\Physics;

use Rodrel\Core\Vehicle\Chamber;
use Rodrel\Core\Vehicle\Layout;
use Rodrel\Core\Vocabulary\Corner;
use Rodrel\Core\Vocabulary\Place;
use Rodrel\Core\Vocabulary\TargetAt;

/**
 * Lays the pipes of a layout, with a fault's effects in place. Every joint that a technician can loosen is a
 * node: `master-outlet@primary`, `modulator-outlet@lf`, `hose-top@lf`, `wheel@lf` (its bleeder).
 */
final readonly class CircuitBuilder
{
    private const G_MAIN = 0.8; // mL/s/kPa, chamber to outlet and outlet to hub (handbook)
    private const G_VALVE = 0.2; // mL/s/kPa, inlet valve (handbook)
    private const G_RETURN_BALL = 0.05; // mL/s/kPa, the ball beside it, on the way back only (handbook)
    private const G_PIPE = 0.4; // mL/s/kPa, a pipe of PIPE_M (handbook); half as much through twice the length
    private const PIPE_M = 2.5; // m, the middle of a small vehicle's pipes (estimate; plausible 1.5 to 3)
    private const TEE_M = 0.8; // m, from a tee on the axle to its wheel (estimate; plausible 0.5 to 1)
    private const RESIDUAL_KPA = 75.0; // kPa that a sound residual valve keeps back (handbook: 50 to 100)
    private const G_HOSE = 0.15; // mL/s/kPa (handbook)
    private const C_NODE = 2e-6; // mL/kPa, every joint (handbook)
    private const OUTLET_CHAMBER_ML = 3.0; // behind a modulator's outlet valve (handbook)
    private const OUTLET_TOUCH_KPA = 60.0; // over which its spring is full (estimate)

    public function __construct(private Layout $layout)
    {
    }

    /** @param float|null $strokeMl where the piston is stopped, for a pedal that is propped */
    public function build(Chamber $chamber, Effects $effects, ?float $strokeMl = null): Circuit
    {
        $id = $chamber->id;
        $of = static fn (string $parameter, float $sound): float => $effects->value('chamber', $id, $parameter, $sound);
        $circuit = new Circuit(
            new Piston(
                $id,
                $strokeMl ?? $chamber->strokeMl * self::boreShare($effects) ** 2,
                $of('rest', 0.0),
                $of('start', 0.0),
                Circuit::RETURN_MM_S * 0.1 * $this->layout->masterAreaCm2() * self::boreShare($effects) ** 2,
                min($of('port', Circuit::G_PORT), $effects->value('reservoir', null, 'vent', Circuit::G_PORT)),
            ),
            $of('bypass_hard', 0.0),
            $of('bypass_light', 0.0),
        );
        $line = $this->edge($effects, 'master-line', $id, self::G_MAIN);
        // behind a plug the chamber itself must give a little
        $give = $line->forward > 0.0 ? 0.0 : self::C_NODE;
        $circuit->addNode(self::node('chamber', $id), 0, Edge::none(), $give);
        $outlet = $circuit->addNode(
            self::node('master-outlet', $id),
            0,
            $line,
            self::C_NODE,
            $of('air', 0.0),
        );
        $residual = \in_array($id, $this->layout->pipework->residualCircuits, true);
        $hub = $circuit->addNode(
            self::node('modulator-inlet', $id),
            $outlet,
            $this->edge($effects, 'main-pipe', $id, self::G_MAIN, null, $residual ? self::RESIDUAL_KPA : 0.0),
            self::C_NODE,
            0.0,
            $effects->value('modulator-inlet', $id, 'leak', 0.0),
        );
        $tee = null;
        foreach ($chamber->wheels as $corner) {
            $hose = $this->layout->hoseOf($corner);
            if (null === $hose->corner()) {
                $tee ??= $this->line($circuit, $effects, $hub, $hose, $corner);
                $pipe = $this->edge($effects, 'axle-pipe', $corner, self::G_PIPE * self::PIPE_M / self::TEE_M);
                $this->wheel($circuit, $effects, $corner, $tee, $pipe);
            } else {
                $this->line($circuit, $effects, $hub, $hose, $corner);
            }
        }

        return $circuit;
    }

    /** A master cylinder's bore over the right one. */
    public static function boreShare(Effects $effects): float
    {
        return $effects->value('master', null, 'bore_share', 1.0);
    }

    /** The name of a node: what a technician can loosen, and where. */
    public static function node(string $kind, Place|Corner|string $place): string
    {
        return (string) TargetAt::of($kind, $place);
    }

    /** Inlet valve, pipe and hose of one channel; ends at the wheel, or at a tee where an axle shares its hose. */
    private function line(Circuit $circuit, Effects $effects, int $hub, Place $place, Corner $corner): int
    {
        $at = $hub;
        if ($this->layout->pipework->modulator) {
            $at = $circuit->addNode(
                self::node('modulator-outlet', $place),
                $hub,
                $this->edge($effects, 'inlet-valve', $place, self::G_VALVE, self::G_VALVE + self::G_RETURN_BALL),
                self::C_NODE,
                $effects->value('modulator', $place, 'air', 0.0),
            );
            $outlet = $effects->value('modulator', $place, 'outlet', 0.0);
            if ($outlet > 0.0) {
                $behind = $circuit->addNode(
                    self::node('outlet-chamber', $place),
                    $at,
                    new Edge($outlet, $outlet),
                    self::C_NODE,
                );
                $circuit->makeSoft($behind, self::OUTLET_CHAMBER_ML, 0.0, self::OUTLET_TOUCH_KPA);
            }
        }
        $pipe = $this->edge($effects, 'pipe', $place, self::G_PIPE * self::PIPE_M / $this->pipeM($corner));
        $opens = $this->layout->pipework->meteringKpa;
        if (null !== $opens && $corner->isFront()) {
            $pipe = $pipe->metered($effects->value('metering', null, 'opens_kpa', $opens));
        }
        $valve = $this->layout->pipework->valves[$corner->value] ?? null;
        $top = $circuit->addNode(
            self::node('hose-top', $place),
            $at,
            null === $valve ? $pipe : $pipe->behind(
                $effects->value('rear-valve', $corner, 'knee_kpa', $valve->kneeKpa),
                $effects->value('rear-valve', $corner, 'slope', $valve->slope),
            ),
            $effects->value('hose-top', $place, 'stiffness', self::C_NODE),
            0.0,
            $effects->value('hose-top', $place, 'leak', 0.0),
        );
        $hose = $this->edge($effects, 'hose', $place, self::G_HOSE);

        return null !== $place->corner()
            ? $this->wheel($circuit, $effects, $corner, $top, $hose)
            : $circuit->addNode(self::node('tee', $place), $top, $hose, self::C_NODE);
    }

    private function wheel(Circuit $circuit, Effects $effects, Corner $corner, int $parent, Edge $edge): int
    {
        $cylinder = $this->layout->brake($corner)->cylinder;
        $of = static fn (string $parameter, float $sound): float => $effects->value(
            'wheel',
            $corner,
            $parameter,
            $sound,
        );
        $node = $circuit->addNode(
            self::node('wheel', $corner),
            $parent,
            $edge,
            $of('stiffness', $cylinder->stiffnessMlPerKpa),
            $of('air', 0.0),
            $of('leak', 0.0),
        );
        $circuit->makeWheel(
            $node,
            $corner->value,
            $cylinder->clearanceMl + $of('extra_clearance', 0.0) + $of('knock', 0.0),
            $cylinder->springKpa * $this->springLeft($effects, $corner),
            $cylinder->touchKpa,
            $this->friction($effects, $corner),
        );

        return $node;
    }

    /** What is left of the return spring: a weak one lets the shoes go at a lower pressure too. */
    private function springLeft(Effects $effects, Corner $corner): float
    {
        $sound = $this->layout->brake($corner)->lining->springN;

        return $sound > 0.0 ? $effects->value('brake', $corner, 'spring', $sound) / $sound : 1.0;
    }

    private function friction(Effects $effects, Corner $corner): Friction
    {
        $brake = $this->layout->brake($corner);
        $of = static fn (string $parameter, float $sound): float => $effects->value(
            'brake',
            $corner,
            $parameter,
            $sound,
        );
        $bracket = $of('bracket', 0.0);

        return new Friction(
            $brake->cylinder->areaCm2(),
            $of('spring', $brake->lining->springN),
            new Band($of('apply', Band::SOUND_N) + $bracket, $of('hold', Band::SOUND_N) + $bracket, $of('pins', 0.0)),
            new Rubbing(
                $brake->disc,
                $of('friction', $brake->lining->friction),
                $brake->lining->radiusM,
                $of('extra_drag', 0.0),
            ),
        );
    }

    /** Length of an axle's pipes, m: the mean of its two, so that left and right stay mirrors of each other. */
    private function pipeM(Corner $corner): float
    {
        $lengths = $this->layout->pipework->lengthsM;
        $other = $lengths[$corner->partner()->value] ?? self::PIPE_M;

        return max(0.1, 0.5 * (($lengths[$corner->value] ?? self::PIPE_M) + $other));
    }

    private function edge(
        Effects $effects,
        string $kind,
        Place|Corner|string $place,
        float $forward,
        ?float $return = null,
        float $hold = 0.0,
    ): Edge {
        $flow = $effects->value('fluid', null, 'flow', 1.0);

        return new Edge(
            $flow * $effects->value($kind, $place, 'gf', $forward),
            $flow * $effects->value($kind, $place, 'gr', $return ?? $forward),
            $effects->value($kind, $place, 'hold', $hold),
        );
    }
}
