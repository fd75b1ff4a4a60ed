<?php

declare(strict_types=1);

namespace Rodrel\Core\Quantity;

/** What a number measures. A temperature and a difference of temperatures are two quantities. */
enum Quantity: string
{
    case Pressure = 'pressure';
    case Force = 'force';
    case Torque = 'torque';
    case Temperature = 'temperature';
    case TemperatureDifference = 'temperature-difference';
    case Length = 'length';
    case Volume = 'volume';
    case Time = 'time';
    case Mass = 'mass';
    case Speed = 'speed';

    /** The unit used everywhere inside the core. */
    public function coreUnit(): Unit
    {
        return match ($this) {
            self::Pressure => Unit::Kilopascal,
            self::Force => Unit::Newton,
            self::Torque => Unit::NewtonMetre,
            self::Temperature => Unit::Celsius,
            self::TemperatureDifference => Unit::KelvinStep,
            self::Length => Unit::Millimetre,
            self::Volume => Unit::Millilitre,
            self::Time => Unit::Second,
            self::Mass => Unit::Kilogram,
            self::Speed => Unit::KilometrePerHour,
        };
    }

    /**
     * Lowest value that can exist, in core units: perfect vacuum on a gauge, absolute zero, nothing below zero
     * elsewhere.
     */
    public function floor(): float
    {
        return match ($this) {
            self::Pressure => -101.325,
            self::Temperature => -273.15,
            self::TemperatureDifference => -\INF,
            self::Force, self::Torque, self::Length, self::Volume, self::Time, self::Mass,
            self::Speed => 0.0,
        };
    }
}
