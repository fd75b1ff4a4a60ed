<?php

declare(strict_types=1);

namespace Rodrel\Core\Model;

use Rodrel\Core\Vehicle\Chamber;
use Rodrel\Core\Vehicle\Corner;
use Rodrel\Core\Vehicle\Layout;

/**
 * Lays the pipes of a layout, with a fault's effects in place. Every joint that a technician can loosen is a
 * node: `master-outlet@primary`, `modulator-outlet@lf`, `hose-top@lf`, `wheel@lf` (its bleeder).
 */
final readonly class CircuitBuilder
{
    private const G_MAIN = 0.80;
    private const G_VALVE = 0.20;
    private const G_RETURN_BALL = 0.05;
    private const G_PIPE = 0.40;
    private const G_HOSE = 0.15;
    private const C_NODE = 2e-6;
    private const SOUND_BAND_N = 15.0;

    public function __construct(private Layout $layout)
    {
    }

    public function build(Chamber $chamber, Effects $effects): Circuit
    {
        $key = 'chamber@'.$chamber->id;
        $circuit = new Circuit(
            $chamber->id,
            $chamber->strokeMl,
            $effects->value($key, 'rest', 0.0),
            $effects->value($key, 'start', 0.0),
            $effects->value($key, 'bypass_hard', 0.0),
            $effects->value($key, 'bypass_light', 0.0),
            Circuit::RETURN_MM_S * 0.1 * $this->layout->masterAreaCm2(),
            $effects->value($key, 'port', Circuit::G_PORT),
        );
        $circuit->addNode($key, 0, ['gf' => 0.0, 'gr' => 0.0], 0.0);
        $outlet = $circuit->addNode('master-outlet@'.$chamber->id, 0, $this->edge($effects, 'master-line@'.$chamber->id, self::G_MAIN, self::G_MAIN), self::C_NODE, $effects->value($key, 'air', 0.0));
        $hub = $circuit->addNode('modulator-inlet@'.$chamber->id, $outlet, $this->edge($effects, 'main-pipe@'.$chamber->id, self::G_MAIN, self::G_MAIN), self::C_NODE);
        $shared = null;
        foreach ($chamber->wheels as $corner) {
            if ('rear' === $this->layout->hoseOf($corner)) {
                $shared ??= $this->line($circuit, $effects, $hub, 'rear', 'tee@rear', $corner);
                $this->wheel($circuit, $effects, $corner, $shared, $this->edge($effects, 'axle-pipe@'.$corner->value, self::G_PIPE, self::G_PIPE));
            } else {
                $this->line($circuit, $effects, $hub, $corner->value, null, $corner);
            }
        }

        return $circuit;
    }

    /** Inlet valve, pipe and hose of one channel; ends at the wheel, or at a tee when one is named. */
    private function line(Circuit $circuit, Effects $effects, int $hub, string $place, ?string $tee, Corner $corner): int
    {
        $at = $hub;
        if ($this->layout->modulator) {
            $valve = $this->edge($effects, 'inlet-valve@'.$place, self::G_VALVE, self::G_VALVE + self::G_RETURN_BALL);
            $at = $circuit->addNode('modulator-outlet@'.$place, $hub, $valve, self::C_NODE, $effects->value('modulator@'.$place, 'air', 0.0));
        }
        $pipe = $this->edge($effects, 'pipe@'.$place, self::G_PIPE, self::G_PIPE);
        if (isset($this->layout->valves[$corner->value])) {
            $pipe['knee'] = $this->layout->valves[$corner->value]['knee_kpa'];
            $pipe['slope'] = $this->layout->valves[$corner->value]['slope'];
        }
        $top = $circuit->addNode('hose-top@'.$place, $at, $pipe, $effects->value('hose-top@'.$place, 'stiffness', self::C_NODE), 0.0, $effects->value('hose-top@'.$place, 'leak', 0.0));
        $hose = $this->edge($effects, 'hose@'.$place, self::G_HOSE, self::G_HOSE);

        return null === $tee ? $this->wheel($circuit, $effects, $corner, $top, $hose) : $circuit->addNode($tee, $top, $hose, self::C_NODE);
    }

    /** @param array{gf: float, gr: float, hold: float} $edge */
    private function wheel(Circuit $circuit, Effects $effects, Corner $corner, int $parent, array $edge): int
    {
        $brake = $this->layout->brake($corner);
        $name = 'wheel@'.$corner->value;
        $node = $circuit->addNode($name, $parent, $edge, $effects->value($name, 'stiffness', $brake->stiffnessMlPerKpa), $effects->value($name, 'air', 0.0), $effects->value($name, 'leak', 0.0));
        $clearance = $brake->clearanceMl + $effects->value($name, 'extra_clearance', 0.0);
        $circuit->makeWheel($node, $corner->value, $clearance, $brake->springKpa, $brake->touchKpa, $this->friction($effects, $corner));

        return $node;
    }

    private function friction(Effects $effects, Corner $corner): Friction
    {
        $brake = $this->layout->brake($corner);
        $key = 'brake@'.$corner->value;
        $bracket = $effects->value($key, 'bracket', 0.0);

        return new Friction(
            $brake->disc,
            $brake->areaCm2(),
            $effects->value($key, 'spring', $brake->springN),
            $effects->value($key, 'apply', self::SOUND_BAND_N) + $bracket,
            $effects->value($key, 'hold', self::SOUND_BAND_N) + $bracket,
            $effects->value($key, 'pins', 0.0),
            $effects->value($key, 'friction', $brake->friction),
            $brake->radiusM,
            $effects->value($key, 'extra_drag', 0.0),
        );
    }

    /** @return array{gf: float, gr: float, hold: float} */
    private function edge(Effects $effects, string $target, float $forward, float $return): array
    {
        return [
            'gf' => $effects->value($target, 'gf', $forward),
            'gr' => $effects->value($target, 'gr', $return),
            'hold' => $effects->value($target, 'hold', 0.0),
        ];
    }
}
