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
    /** A figure in a text, as its writer marked it: [150 N], [60–110 K]. */
    private const MARKED = '~\[([^\[\]]+) ([^\[\] ]+)\]~u';

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
            Quantity::Speed => Unit::MilePerHour,
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
        return $this->figure($core, $quantity, $metric).' '.$this->of($quantity, $metric)->shown();
    }

    /** "Hold [150 N]" reads "Hold 150 N", and to whoever thinks in pounds "Hold 34 lbf (150 N)". */
    public function marked(string $text): string
    {
        return !str_contains($text, '[') ? $text : (string) preg_replace_callback(
            self::MARKED,
            fn (array $found): string => $this->beside($found[1], $found[2]),
            $text,
        );
    }

    /** @param string $typed a figure or a range, as it is read */
    private function beside(string $typed, string $symbol): string
    {
        $unit = Unit::tryFrom($symbol);
        $theirs = null === $unit ? null : $this->of($unit->quantity(), $unit);
        $figures = array_map(
            static fn (string $one): string => str_replace([' ', ','], ['', '.'], $one),
            explode('–', $typed),
        );
        $readable = [] === array_filter($figures, self::isNone(...));
        if (null === $unit || null === $theirs || $theirs === $unit || !$readable) {
            return $typed.' '.$symbol;
        }
        $read = array_map(
            static fn (string $one): string => self::threeFigures($theirs->fromCore($unit->toCore((float) $one))),
            $figures,
        );

        return implode('–', $read).' '.$theirs->shown()." ($typed $symbol)";
    }

    private static function isNone(string $figure): bool
    {
        return !is_numeric($figure);
    }

    /** Whole numbers where a wrench or a gauge shows no more, two figures where it is less than one; three at most. */
    private static function threeFigures(float $value): string
    {
        $power = (int) floor(log10(max(abs($value), 1e-3)));

        return Letters::number((string) round($value, min(max(0, 1 - $power), 2 - $power)));
    }
}
