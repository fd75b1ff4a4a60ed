<?php

declare(strict_types=1);

namespace Rodrel\Core\Vehicle;

use Rodrel\Core\Shape;
use Rodrel\Core\Vocabulary\Corner;

/** What lies between master and wheels. */
final readonly class Pipework
{
    /** The vehicle's own figure. */
    public ?float $reservoirMl;
    /** From where a metering valve lets the fronts come on; null where none is. */
    public ?float $meteringKpa;

    /**
     * @param bool $modulator an anti-lock unit with a valve for every wheel
     * @param bool $rearSolidAxle one hose to a tee on the axle where both rears share a circuit
     * @param array<string, float> $lengthsM master to wheel, by corner id
     * @param array<string, RearValve> $valves by corner id
     * @param bool $sharedClutch the clutch drinks from the brake's reservoir
     * @param list<string> $residualCircuits chambers with a residual valve behind them
     * @param Shape $shape for what few vehicles have
     */
    private function __construct(
        public bool $modulator,
        public bool $rearSolidAxle,
        public array $lengthsM,
        public array $valves,
        public bool $sharedClutch,
        public array $residualCircuits,
        Shape $shape,
    ) {
        $this->reservoirMl = $shape->optionalNumber('reservoir_ml');
        $this->meteringKpa = $shape->optionalNumber('metering_kpa');
    }

    public static function fromShape(Shape $shape): self
    {
        $valves = [];
        foreach ($shape->each('rear_valves') as $corner => $valve) {
            if (null === Corner::tryFrom($corner)) {
                $shape->in('rear_valves')->miss($corner, 'corners are lf, rf, lr, rr');
            }
            $valves[$corner] = RearValve::fromShape($valve);
        }

        return new self(
            $shape->flag('modulator'),
            $shape->flag('rear_solid_axle'),
            $shape->numberMap('pipe_m'),
            $valves,
            $shape->flag('shared_clutch'),
            $shape->texts('residual_valves'),
            $shape,
        );
    }
}
