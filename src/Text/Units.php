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
    /** Figures of the texts, alone or as a range. */
    private const FIGURES = '~(?<![\w.,])(\d[\d ]*(?:[.,]\d+)?)(–\d+(?:[.,]\d+)?)? '
        .'(N·m|N|bar|kPa|mm|km/h|mL|°C|K)(?![\w·/])~u';
    /** Unit, factor and what is added. */
    private const THEIRS = [
        'N' => ['lbf', 0.2248089, 0.0],
        'N·m' => ['lb·ft', 0.7375621, 0.0],
        'bar' => ['psi', 14.503774, 0.0],
        'kPa' => ['psi', 0.14503774, 0.0],
        'mm' => ['in', 0.03937008, 0.0],
        'km/h' => ['mph', 0.6213712, 0.0],
        'mL' => ['fl oz', 0.0338140, 0.0],
        '°C' => ['°F', 1.8, 32.0],
        'K' => ['°F', 1.8, 0.0],
    ];

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

        return Letters::number((string) round($value, min(2, $digits)));
    }

    public function say(float $core, Quantity $quantity, ?Unit $metric = null): string
    {
        return $this->figure($core, $quantity, $metric).' '.$this->of($quantity, $metric)->value;
    }

    /** "Hold 150 N" as somebody reads it who thinks in pounds: "Hold 34 lbf (150 N)". Texts are written in metric. */
    public function beside(string $text): string
    {
        return !$this->imperial() ? $text : (string) preg_replace_callback(
            self::FIGURES,
            static function (array $found): string {
                [$unit, $factor, $zero] = self::THEIRS[$found[3]];
                $figure = static function (string $typed) use ($factor, $zero): string {
                    $value = $factor * (float) str_replace([' ', ','], ['', '.'], $typed) + $zero;
                    $digits = max(0, 1 - (int) floor(log10(max(abs($value), 1e-3))));

                    return Letters::number((string) round($value, $digits));
                };
                $range = $figure($found[1]).('' === $found[2] ? '' : '–'.$figure(mb_substr($found[2], 1)));

                return $range.' '.$unit.' ('.$found[0].')';
            },
            $text,
        );
    }
}
