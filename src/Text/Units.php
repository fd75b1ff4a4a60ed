<?php

declare(strict_types=1);

namespace App\Text;

use App\Account\User;
use Rodrel\Core\Quantity\Quantity;
use Rodrel\Core\Quantity\Unit;
use Symfony\Bundle\SecurityBundle\Security;

/** The units that the person at the screen thinks in. */
final readonly class Units
{
    public function __construct(private Security $security)
    {
    }

    public function imperial(): bool
    {
        $user = $this->security->getUser();

        return $user instanceof User && $user->thinksImperial();
    }

    /** What a bare number of this quantity means; `$metric` where a field has a metric unit of its own. */
    public function of(Quantity $quantity, ?Unit $metric = null): Unit
    {
        if (!$this->imperial()) {
            return $metric ?? $quantity->coreUnit();
        }

        return match ($quantity) {
            Quantity::Pressure => Unit::Psi,
            Quantity::Torque => Unit::PoundFoot,
            Quantity::Temperature => Unit::Fahrenheit,
            Quantity::TemperatureDifference => Unit::FahrenheitStep,
            Quantity::Length => Unit::Inch,
            Quantity::Force => Unit::PoundForce,
            Quantity::Mass => Unit::Pound,
            Quantity::Volume, Quantity::Time => $metric ?? $quantity->coreUnit(),
        };
    }

    /** A number of the core in the reader's unit, to about three figures. */
    public function figure(float $core, Quantity $quantity, ?Unit $metric = null): string
    {
        $value = $this->of($quantity, $metric)->fromCore($core);
        $digits = max(0, 2 - (int) floor(log10(max(abs($value), 1e-3))));

        return (string) round($value, min(2, $digits));
    }

    public function say(float $core, Quantity $quantity, ?Unit $metric = null): string
    {
        return $this->figure($core, $quantity, $metric).' '.$this->of($quantity, $metric)->value;
    }
}
