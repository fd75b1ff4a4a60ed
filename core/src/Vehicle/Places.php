<?php

declare(strict_types=1);

namespace Rodrel\Core\Vehicle;

use Rodrel\Core\Vocabulary\Corner;
use Rodrel\Core\Vocabulary\Place;

/** Where a fault or a check can sit in a layout. */
enum Places: string
{
    case Hose = 'hose';
    case Channel = 'channel';
    case Corner = 'corner';
    case Disc = 'disc';
    case Drum = 'drum';
    case Parking = 'parking';
    case Circuit = 'circuit';
    case Vehicle = 'vehicle';
    /** The vehicle, where it has a vacuum booster. */
    case Assist = 'assist';
    case StraightPiston = 'straight-piston';
    /** A rear caliper with the parking brake inside: its piston is wound or motor-driven. */
    case BuiltIn = 'built-in';
    /** Small parking-brake shoes in the hat of a rear disc. */
    case Hat = 'hat';
    case ElectricParking = 'electric-parking';
    /** The vehicle, where a pump of its own makes the vacuum. */
    case VacuumPump = 'vacuum-pump';
    /** The vehicle, where its engine makes the vacuum. */
    case EngineVacuum = 'engine-vacuum';
    /** The rear axle, where one lever pulls a cable to both wheels. */
    case ParkingCable = 'parking-cable';
    /** An axle with discs: what both of its wheels have in common. */
    case DiscAxle = 'disc-axle';
    /** The rear axle, where a pressure valve in its pipes holds it back, and where the load works that valve. */
    case RearValve = 'rear-valve';
    case LoadValve = 'load-valve';
    /** The front axle, where a metering valve lets it come on later than the rear. */
    case Metering = 'metering';
    /** The vehicle, where its booster sits at the pedal, or in the line. */
    case PedalBooster = 'pedal-booster';
    case Remote = 'remote';
    /** The vehicle, where the clutch drinks from the brake's reservoir. */
    case SharedClutch = 'shared-clutch';
    /** The vehicle, where it has an anti-lock unit. */
    case Modulator = 'modulator';
    /** The vehicle, where an integral unit with pump and accumulator assists. */
    case Unit = 'unit';
    /** The vehicle, where two circuits can differ. */
    case Split = 'split';
    /** A circuit of drums with a residual valve at the master. */
    case ResidualCircuit = 'residual-circuit';
    case HoseCorner = 'hose-corner';
    case ChannelCorner = 'channel-corner';

    /** @return list<Place> */
    public function in(Layout $layout): array
    {
        return match ($this) {
            self::Hose => $layout->hoses(),
            self::Channel => $layout->pipework->modulator ? $layout->hoses() : [],
            self::Corner, self::HoseCorner => self::corners(static fn (): bool => true),
            self::ChannelCorner => self::corners(static fn (): bool => $layout->pipework->modulator),
            self::Disc => self::brakes($layout, static fn (WheelBrake $b): bool => $b->disc),
            self::StraightPiston => self::brakes(
                $layout,
                static fn (WheelBrake $b): bool => $b->disc && $b->parking->straight,
            ),
            self::BuiltIn => self::brakes(
                $layout,
                static fn (WheelBrake $b): bool => $b->disc && $b->parking->here && !$b->parking->straight,
            ),
            self::Hat => self::brakes(
                $layout,
                static fn (WheelBrake $b): bool => $b->disc && $b->parking->here && $b->parking->straight,
            ),
            self::ElectricParking => self::brakes($layout, static fn (WheelBrake $b): bool => $b->parking->electric),
            self::Drum => self::brakes($layout, static fn (WheelBrake $b): bool => !$b->disc),
            self::Parking => self::brakes($layout, static fn (WheelBrake $b): bool => $b->parking->here),
            self::Circuit => array_map(static fn (Chamber $c): Place => Place::of($c->id), $layout->chambers),
            self::Vehicle => [Place::vehicle()],
            self::Assist => self::vehicleIf(self::hasVacuum($layout)),
            self::VacuumPump => self::vehicleIf(self::hasVacuum($layout) && $layout->assist->pump),
            self::EngineVacuum => self::vehicleIf(self::hasVacuum($layout) && !$layout->assist->pump),
            self::Unit => self::vehicleIf(Reach::Unit === $layout->reach()),
            self::DiscAxle => self::discAxles($layout),
            self::RearValve => self::vehicleIf(self::hasRearValve($layout), Place::axleOf(Corner::LeftRear)),
            self::LoadValve => self::vehicleIf(
                self::hasRearValve($layout)
                && true === ($layout->pipework->valves[Corner::LeftRear->value] ?? null)?->followsLoad,
                Place::axleOf(Corner::LeftRear),
            ),
            self::Metering => self::vehicleIf(
                null !== $layout->pipework->meteringKpa,
                Place::axleOf(Corner::LeftFront),
            ),
            self::PedalBooster => self::vehicleIf(self::hasVacuum($layout) && null === $layout->assist->remote),
            self::Remote => self::vehicleIf(null !== $layout->assist->remote),
            self::SharedClutch => self::vehicleIf($layout->pipework->sharedClutch),
            self::Modulator => self::vehicleIf($layout->pipework->modulator),
            self::Split => self::vehicleIf(\count($layout->chambers) > 1),
            self::ResidualCircuit => array_map(Place::of(...), $layout->pipework->residualCircuits),
            self::ParkingCable => 2 === \count(self::cabled($layout)) ? [Place::axleOf(Corner::LeftRear)] : [],
        };
    }

    /** @return list<Place> */
    private static function vehicleIf(bool $there, ?Place $place = null): array
    {
        return $there ? [$place ?? Place::vehicle()] : [];
    }

    private static function hasVacuum(Layout $layout): bool
    {
        return $layout->hasAssist() && Reach::Unit !== $layout->reach();
    }

    /** A valve of its own, not what an anti-lock unit does in its place. */
    private static function hasRearValve(Layout $layout): bool
    {
        return [] !== $layout->pipework->valves && !$layout->pipework->modulator;
    }

    /** @return list<Place> */
    private static function discAxles(Layout $layout): array
    {
        return array_values(array_map(
            Place::axleOf(...),
            array_filter(
                [Corner::LeftFront, Corner::LeftRear],
                static fn (Corner $corner): bool => $layout->brake($corner)->disc,
            ),
        ));
    }

    /** @return list<Place> rear wheels that a cable pulls */
    private static function cabled(Layout $layout): array
    {
        return array_values(array_filter(
            self::brakes($layout, static fn (WheelBrake $b): bool => $b->parking->here && !$b->parking->electric),
            static fn (Place $place): bool => false === $place->corner()?->isFront(),
        ));
    }

    /**
     * @param callable(WheelBrake): bool $fits
     *
     * @return list<Place>
     */
    private static function brakes(Layout $layout, callable $fits): array
    {
        return self::corners(static fn (Corner $corner): bool => $fits($layout->brake($corner)));
    }

    /** Whether a place is one of them in a layout. */
    public function has(Layout $layout, Place $place): bool
    {
        foreach ($this->in($layout) as $one) {
            if ($one->id === $place->id) {
                return true;
            }
        }

        return false;
    }

    /**
     * @param callable(Corner): bool $fits
     *
     * @return list<Place>
     */
    private static function corners(callable $fits): array
    {
        return array_values(array_map(Place::at(...), array_filter(Corner::cases(), $fits)));
    }
}
