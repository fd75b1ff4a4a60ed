<?php

declare(strict_types=1);

namespace Rodrel\Core\Quantity;

/** A unit that a technician may type or read. The backing value is the symbol that is printed. */
enum Unit: string
{
    case Kilopascal = 'kPa';
    case Bar = 'bar';
    case Megapascal = 'MPa';
    case Psi = 'psi';
    case Newton = 'N';
    case KilogramForce = 'kgf';
    case PoundForce = 'lbf';
    case NewtonMetre = 'N·m';
    case PoundFoot = 'lb·ft';
    case PoundInch = 'lb·in';
    case Celsius = '°C';
    case Fahrenheit = '°F';
    case KelvinStep = 'K';
    case FahrenheitStep = '°F step';
    case Millimetre = 'mm';
    case Centimetre = 'cm';
    case Inch = 'in';
    case Millilitre = 'mL';
    case Litre = 'L';
    case Second = 's';
    case Minute = 'min';
    case Hour = 'h';
    case Kilogram = 'kg';
    case Pound = 'lb';
    case KilometrePerHour = 'km/h';
    case MilePerHour = 'mph';

    public function quantity(): Quantity
    {
        return match ($this) {
            self::Kilopascal, self::Bar, self::Megapascal, self::Psi => Quantity::Pressure,
            self::Newton, self::KilogramForce, self::PoundForce => Quantity::Force,
            self::NewtonMetre, self::PoundFoot, self::PoundInch => Quantity::Torque,
            self::Celsius, self::Fahrenheit => Quantity::Temperature,
            self::KelvinStep, self::FahrenheitStep => Quantity::TemperatureDifference,
            self::Millimetre, self::Centimetre, self::Inch => Quantity::Length,
            self::Millilitre, self::Litre => Quantity::Volume,
            self::Second, self::Minute, self::Hour => Quantity::Time,
            self::Kilogram, self::Pound => Quantity::Mass,
            self::KilometrePerHour, self::MilePerHour => Quantity::Speed,
        };
    }

    /**
     * How many core units one of this unit is; exact by definition (international pound, inch, mile; 1 lbf =
     * 4.4482216152605 N).
     */
    public function factor(): float
    {
        return match ($this) {
            self::Kilopascal,
            self::Newton,
            self::NewtonMetre,
            self::Celsius,
            self::KelvinStep,
            self::Millimetre,
            self::Millilitre,
            self::Second,
            self::Kilogram,
            self::KilometrePerHour => 1.0,
            self::Bar => 100.0,
            self::Megapascal, self::Litre => 1000.0,
            self::Psi => 6.894757293168,
            self::KilogramForce => 9.80665,
            self::PoundForce => 4.4482216152605,
            self::PoundFoot => 1.3558179483314,
            self::PoundInch => 0.1129848290276,
            self::Fahrenheit, self::FahrenheitStep => 5.0 / 9.0,
            self::Centimetre => 10.0,
            self::Inch => 25.4,
            self::Minute => 60.0,
            self::Hour => 3600.0,
            self::Pound => 0.45359237,
            self::MilePerHour => 1.609344,
        };
    }

    /** core value = factor · (typed − zero) */
    public function zero(): float
    {
        return self::Fahrenheit === $this ? 32.0 : 0.0;
    }

    public function toCore(float $typed): float
    {
        return $this->factor() * ($typed - $this->zero());
    }

    public function fromCore(float $core): float
    {
        return $core / $this->factor() + $this->zero();
    }

    /** As it stands behind a figure: a step of temperature has the sign of its scale. */
    public function shown(): string
    {
        return self::FahrenheitStep === $this ? self::Fahrenheit->value : $this->value;
    }

    /** @return list<string> spellings accepted on entry, lower case, without blanks, points and middle dots */
    public function spellings(): array
    {
        return match ($this) {
            self::NewtonMetre => ['nm'],
            self::PoundFoot => ['lbft', 'ftlb', 'lbfft', 'ftlbs', 'lbsft'],
            self::PoundInch => ['lbin', 'inlb', 'inlbs'],
            self::Celsius => ['°c', 'c', 'degc'],
            self::Fahrenheit => ['°f', 'f', 'degf'],
            self::KelvinStep => ['k', 'kelvin'],
            self::FahrenheitStep => ['°fstep', 'fstep'],
            self::Inch => ['in', 'inch', '"'],
            self::Millilitre => ['ml', 'cc', 'cm3', 'cm³'],
            self::Litre => ['l', 'litre'],
            self::Second => ['s', 'sec'],
            self::KilogramForce => ['kgf', 'kp'],
            self::PoundForce => ['lbf'],
            self::Pound => ['lb', 'lbs'],
            self::KilometrePerHour => ['km/h', 'kmh', 'kph'],
            default => [strtolower($this->value)],
        };
    }
}
