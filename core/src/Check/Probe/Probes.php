<?php

declare(strict_types=1);

namespace Rodrel\Core\Check\Probe;

/** Every probe by its id. A new one is a class and its line here. */
final readonly class Probes
{
    private const ALL = [
        AirAt::class,
        BracketBand::class,
        Clearance::class,
        ComesOn::class,
        Effort::class,
        EffortHot::class,
        EffortSeries::class,
        FluidGone::class,
        FluidLost::class,
        FreeAfter::class,
        FreePlay::class,
        Gauge::class,
        GaugeLight::class,
        GaugeMaster::class,
        GripUsed::class,
        Heat::class,
        HoseGrows::class,
        HotTravel::class,
        LeftDrag::class,
        LevelFlow::class,
        MountMoves::class,
        OpenLineFlow::class,
        PinBand::class,
        PipeFlow::class,
        Plugged::class,
        PressedFlow::class,
        Propped::class,
        Pull::class,
        Pumped::class,
        PushForce::class,
        RemoteOut::class,
        Ripple::class,
        Roller::class,
        Sink::class,
        StartDrop::class,
        Streams::class,
        Strokes::class,
        Supply::class,
        Travel::class,
        Vacuum::class,
        VacuumLost::class,
        Weakness::class,
        WorstEffort::class,
    ];

    /** Null where there is no probe of that name. */
    public static function named(string $id): ?Probe
    {
        foreach (self::ALL as $class) {
            if ($class::id() === $id) {
                return new $class();
            }
        }

        return null;
    }

    /** @return list<string> */
    public static function ids(): array
    {
        return array_map(static fn (string $class): string => $class::id(), self::ALL);
    }
}
