<?php

declare(strict_types=1);

namespace Rodrel\Core\Fault;

use Rodrel\Core\Vehicle\Chamber;
use Rodrel\Core\Vehicle\Corner;
use Rodrel\Core\Vehicle\Layout;

/** Where a fault or a check can sit in a layout. */
enum FaultPlaces: string
{
    case Hose = 'hose';
    case Channel = 'channel';
    case Corner = 'corner';
    case Disc = 'disc';
    case Drum = 'drum';
    case Parking = 'parking';
    case Circuit = 'circuit';
    case Vehicle = 'vehicle';
    /** The vehicle, where it has a booster. */
    case Assist = 'assist';
    case StraightPiston = 'straight-piston';
    /** A rear caliper with the parking brake inside: its piston is wound or motor-driven. */
    case BuiltIn = 'built-in';
    /** Small parking-brake shoes in the hat of a rear disc. */
    case Hat = 'hat';
    case ElectricParking = 'electric-parking';
    case HoseCorner = 'hose-corner';
    case ChannelCorner = 'channel-corner';

    /** @return list<string> */
    public function in(Layout $layout): array
    {
        return match ($this) {
            self::Hose => $layout->hoses(),
            self::Channel => $layout->modulator ? $layout->hoses() : [],
            self::Corner, self::HoseCorner => $this->corners(static fn (): bool => true),
            self::ChannelCorner => $this->corners(static fn (): bool => $layout->modulator),
            self::Disc => $this->corners(static fn (Corner $corner): bool => $layout->brake($corner)->disc),
            self::StraightPiston => $this->corners(static fn (Corner $corner): bool => $layout->brake($corner)->disc && $layout->brake($corner)->pistonGoesBackStraight),
            self::BuiltIn => $this->corners(static fn (Corner $corner): bool => $layout->brake($corner)->disc && $layout->brake($corner)->parkingBrake && !$layout->brake($corner)->pistonGoesBackStraight),
            self::Hat => $this->corners(static fn (Corner $corner): bool => $layout->brake($corner)->disc && $layout->brake($corner)->parkingBrake && $layout->brake($corner)->pistonGoesBackStraight),
            self::ElectricParking => $this->corners(static fn (Corner $corner): bool => $layout->brake($corner)->electricParking),
            self::Drum => $this->corners(static fn (Corner $corner): bool => !$layout->brake($corner)->disc),
            self::Parking => $this->corners(static fn (Corner $corner): bool => $layout->brake($corner)->parkingBrake),
            self::Circuit => array_map(static fn (Chamber $chamber): string => $chamber->id, $layout->chambers),
            self::Vehicle => ['vehicle'],
            self::Assist => $layout->hasAssist() ? ['vehicle'] : [],
        };
    }

    /**
     * @param callable(Corner): bool $fits
     *
     * @return list<string>
     */
    private function corners(callable $fits): array
    {
        return array_values(array_map(static fn (Corner $corner): string => $corner->value, array_filter(Corner::cases(), $fits)));
    }
}
