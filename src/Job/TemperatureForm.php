<?php

declare(strict_types=1);

namespace App\Job;

use App\Input\InvalidInput;
use Rodrel\Core\Heat\HeatRound;
use Rodrel\Core\Heat\Infrared;
use Rodrel\Core\Heat\TooBright;
use Rodrel\Core\Heat\TooLate;
use Rodrel\Core\Log\Payload\Figure;
use Rodrel\Core\Log\Payload\Temperature;
use Rodrel\Core\Log\Payload\TypedNumber;
use Rodrel\Core\Quantity\Quantity;
use Rodrel\Core\Quantity\Unit;
use Symfony\Component\HttpFoundation\InputBag;

/** The temperatures of a heat round as they are typed: corrected for the surface, carried back to the stop. */
final readonly class TemperatureForm
{
    private const CONTACT = 'contact';
    /** What air and wheels can be without asking again (°C; estimate). */
    private const AIR = [-40.0, 60.0];
    private const BELOW_AIR = 10.0;
    private const HOTTEST = 700.0;
    /** Colder over the air than this a thermometer tells nothing (K; estimate). */
    private const LEAST_K = 2.0;
    /** No rotor cools so much more slowly, or more quickly, than the usual one (times; estimate). */
    private const MOST_SLOWER = 3.0;
    private const LEAST_SLOWER = 0.5;

    public function __construct(private Fields $fields)
    {
    }

    /**
     * A wheel's temperature as kelvins over the air at the moment of stopping.
     *
     * @param InputBag<bool|float|int|string> $form
     * @param float $tauS cooling time constant of a rotor of the usual size
     */
    public function atStop(InputBag $form, string $row, float $tauS): TypedNumber
    {
        $tauS *= $this->slower($form, $row);
        $measured = $this->measured($form, $this->typed($form, $row), $row, $tauS);
        $taken = $measured->taken ?? throw new \LogicException('A temperature knows how it was taken.');
        try {
            $atStop = HeatRound::atStop($taken->rawK, $taken->place, $taken->sinceS, $tauS);
        } catch (TooLate) {
            throw InvalidInput::because('input.too-late');
        }
        $core = round(max(self::LEAST_K, $atStop), 1);

        return new TypedNumber(new Figure($measured->figure->typed, $measured->figure->unit, $core), $taken);
    }

    /**
     * The first wheel once more, as measured; null where it was not taken again.
     *
     * @param InputBag<bool|float|int|string> $form
     */
    public function again(InputBag $form): ?TypedNumber
    {
        $typed = $this->fields->optional($form, 'again');

        return '' === $typed ? null : $this->measured($form, $typed, 'again', HeatRound::STANDING_S);
    }

    /**
     * How a rotor of the usual size cools: as the first wheel shows it, taken again last; else as it mostly does. In s.
     *
     * @param InputBag<bool|float|int|string> $form
     */
    public function cooling(InputBag $form, string $first): float
    {
        $again = $this->again($form)?->taken;
        $typed = $this->typed($form, $first);
        if (null === $again || '' === $typed) {
            return HeatRound::STANDING_S;
        }
        $before = $this->measured($form, $typed, $first, HeatRound::STANDING_S)->taken;
        $tau = null === $before
            ? null
            : HeatRound::cooling($before->rawK, $before->sinceS, $again->rawK, $again->sinceS);

        return null === $tau ? HeatRound::STANDING_S : $tau / $this->slower($form, $first);
    }

    /**
     * How much more slowly this wheel's rotor cools than the usual one, as the sheet says of the vehicle.
     *
     * @param InputBag<bool|float|int|string> $form
     */
    private function slower(InputBag $form, string $row): float
    {
        $typed = $form->all('slower')[$row] ?? null;

        return is_numeric($typed) ? min(self::MOST_SLOWER, max(self::LEAST_SLOWER, (float) $typed)) : 1.0;
    }

    /**
     * One reading over the air, corrected for the surface that an infrared gun was aimed at but not yet for time.
     *
     * @param InputBag<bool|float|int|string> $form
     */
    private function measured(InputBag $form, string $typed, string $row, float $tauS): TypedNumber
    {
        $wheel = $this->fields->parse($typed, Quantity::Temperature, Unit::Celsius);
        $air = $this->fields->measured($form, 'air', Quantity::Temperature, Unit::Celsius)->core;
        $surfaces = [self::CONTACT, ...array_keys(Infrared::SURFACES)];
        $surface = $this->fields->choice($form, 'surface', $surfaces, 'input.surface');
        $place = '' === $this->fields->optional($form, 'place')
            ? HeatRound::ROTOR
            : $this->fields->choice($form, 'place', array_keys(HeatRound::PLACES));
        try {
            $celsius = self::CONTACT === $surface ? $wheel->core : Infrared::corrected($wheel->core, $air, $surface);
        } catch (TooBright) {
            throw InvalidInput::because('input.too-bright');
        }
        $unlikely = $air < self::AIR[0] || $air > self::AIR[1] || $celsius < $air - self::BELOW_AIR;
        if (($unlikely || $celsius > self::HOTTEST) && !$form->getBoolean('sure')) {
            throw InvalidInput::because('input.temperature', ['typed' => $wheel->typed]);
        }
        $raw = round($celsius - $air, 1);

        return new TypedNumber(
            new Figure($wheel->typed, $wheel->unit->value, $raw),
            new Temperature($air, $surface, $place, $this->since($form, $row), $raw, $tauS),
        );
    }

    /** @param InputBag<bool|float|int|string> $form */
    private function typed(InputBag $form, string $row): string
    {
        $typed = $form->all('number')[$row] ?? '';

        return \is_string($typed) ? $typed : '';
    }

    /**
     * Seconds since the stop: "1:05", "65 s", "2 min", a bare number in minutes; nothing typed is at once.
     *
     * @param InputBag<bool|float|int|string> $form
     */
    private function since(InputBag $form, string $row): float
    {
        $typed = $form->all('since')[$row] ?? '';
        $typed = \is_string($typed) ? trim($typed) : '';
        if (1 === preg_match('/^(\d{1,3}):([0-5]\d)$/', $typed, $clock)) {
            return 60.0 * (float) $clock[1] + (float) $clock[2];
        }

        return '' === $typed ? 0.0 : $this->fields->parse($typed, Quantity::Time, Unit::Minute)->core;
    }
}
