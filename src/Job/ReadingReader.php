<?php

declare(strict_types=1);

namespace App\Job;

use Rodrel\Core\Catalogue;
use Rodrel\Core\Check\ObserverKind;
use Rodrel\Core\Check\PadWear;
use Rodrel\Core\Heat\HeatRound;
use Rodrel\Core\Heat\Infrared;
use Rodrel\Core\Heat\TooBright;
use Rodrel\Core\Heat\TooLate;
use Rodrel\Core\Quantity\Measured;
use Rodrel\Core\Quantity\Quantity;
use Rodrel\Core\Quantity\Unit;
use Rodrel\Core\Vehicle\WearLimit;
use Symfony\Component\HttpFoundation\InputBag;

/** Turns an answered sheet into the payload of a reading: words, numbers as typed, temperatures carried back to the stop. */
final readonly class ReadingReader
{
    public function __construct(private Catalogue $catalogue, private Fields $fields)
    {
    }

    /**
     * @param InputBag<bool|float|int|string> $form
     *
     * @return array<string, mixed>
     */
    public function read(InputBag $form): array
    {
        $id = $this->fields->text($form, 'check');
        $check = $this->catalogue->check($id);
        $words = $form->all('word');
        $typed = $form->all('number');
        $outcomes = $numbers = [];
        foreach ($check->rows as $row => $observer) {
            if ($observer->isOverAir()) {
                $numbers[(string) $row] = $this->overAir($form, (string) $row, $this->cooling($form, (string) array_key_first($check->rows)));
            } elseif (ObserverKind::Number === $observer->kind) {
                $text = $typed['' === $row ? 0 : $row] ?? '';
                $measured = $this->fields->parse(\is_string($text) ? $text : '', Quantity::from((string) $observer->quantity), Unit::from((string) $observer->unit));
                if (null !== $observer->plausible && ($measured->core < $observer->plausible[0] || $measured->core > $observer->plausible[1]) && !$form->getBoolean('sure')) {
                    throw InvalidInput::because('input.implausible', ['typed' => $measured->typed, 'low' => (string) $observer->plausible[0], 'high' => (string) $observer->plausible[1], 'unit' => (string) $observer->unit]);
                }
                $numbers[(string) $row] = ['typed' => $measured->typed, 'unit' => $measured->unit->value, 'core' => $measured->core];
            } else {
                $word = $words['' === $row ? 0 : $row] ?? null;
                if (null === $word && 'wear' === $check->id) {
                    $word = $this->wear($form);
                } elseif (null === $word && 'limits' === $check->id) {
                    $word = $this->limit($form);
                }
                $outcomes[(string) $row] = \is_string($word) && \in_array($word, $observer->words, true) ? $word : throw InvalidInput::because('input.row');
            }
        }

        $again = isset($check->rows['lf']) && $check->rows['lf']->isOverAir() && '' !== $this->fields->optional($form, 'again') ? $this->measuredK($form, $this->fields->optional($form, 'again'), 'again') : [];

        return array_filter(['check' => $id, 'outcomes' => $outcomes, 'numbers' => $numbers, 'again' => $again, 'measured' => $this->measuredBehind($form), 'unsure' => $form->getBoolean('unsure')], static fn (mixed $v): bool => [] !== $v);
    }

    /**
     * Four thicknesses make the word.
     *
     * @param InputBag<bool|float|int|string> $form
     */
    private function wear(InputBag $form): string
    {
        $mm = array_map(fn (string $spot): float => $this->fields->measure($form, $spot, Quantity::Length, Unit::Millimetre)['core'], ['inner_a', 'inner_b', 'outer_a', 'outer_b']);
        if (max($mm) > 25.0 && !$form->getBoolean('sure')) {
            throw InvalidInput::because('input.implausible', ['typed' => (string) max($mm), 'low' => '0', 'high' => '25', 'unit' => 'mm']);
        }

        return PadWear::of($mm[0], $mm[1], $mm[2], $mm[3])->word;
    }

    /**
     * What was measured against the stamped limit; a limit that cannot be is questioned.
     *
     * @param InputBag<bool|float|int|string> $form
     */
    private function limit(InputBag $form): string
    {
        $measured = $this->fields->measure($form, 'measured', Quantity::Length, Unit::Millimetre)['core'];
        $limit = $this->fields->measure($form, 'limit', Quantity::Length, Unit::Millimetre)['core'];
        $wear = 'drum' === $this->fields->choice($form, 'part', ['drum', 'rotor']) ? WearLimit::ofDrum($measured, $limit) : WearLimit::ofRotor($measured, $limit);
        if (!$wear->plausible && !$form->getBoolean('sure')) {
            throw InvalidInput::because('input.limit', ['left' => (string) round($wear->leftMm, 1)]);
        }

        return $wear->word;
    }

    /**
     * What stands behind a measured word, as typed.
     *
     * @param InputBag<bool|float|int|string> $form
     *
     * @return array<string, string>
     */
    private function measuredBehind(InputBag $form): array
    {
        $kept = [];
        foreach (['inner_a', 'inner_b', 'outer_a', 'outer_b', 'measured', 'limit'] as $key) {
            if ('' !== $this->fields->optional($form, $key)) {
                $kept[$key] = mb_substr($this->fields->optional($form, $key), 0, 30);
            }
        }

        return $kept;
    }

    /**
     * A wheel's temperature as kelvins over the air at the moment of stopping.
     *
     * @param InputBag<bool|float|int|string> $form
     *
     * @return array{typed: string, unit: string, core: float, air_c: float, surface: string, place: string, since_s: float}
     */
    private function overAir(InputBag $form, string $row, float $tauS): array
    {
        $typed = $form->all('number')[$row] ?? '';
        $measured = $this->measuredK($form, \is_string($typed) ? $typed : '', $row);
        try {
            $atStop = HeatRound::atStop($measured['core'], $measured['place'], $measured['since_s'], $tauS);
        } catch (TooLate) {
            throw InvalidInput::because('input.too-late');
        }

        return ['core' => round(max(2.0, $atStop), 1)] + $measured;
    }

    /**
     * One reading over the air, corrected for the surface that an infrared gun was aimed at but not yet for time.
     *
     * @param InputBag<bool|float|int|string> $form
     *
     * @return array{typed: string, unit: string, core: float, air_c: float, surface: string, place: string, since_s: float}
     */
    private function measuredK(InputBag $form, string $typed, string $row): array
    {
        $wheel = $this->fields->parse($typed, Quantity::Temperature, Unit::Celsius);
        $air = $this->fields->measure($form, 'air', Quantity::Temperature, Unit::Celsius)['core'];
        $surface = $this->fields->choice($form, 'surface', ['contact', ...array_keys(Infrared::SURFACES)], 'input.surface');
        $place = '' === $this->fields->optional($form, 'place') ? 'rotor' : $this->fields->choice($form, 'place', array_keys(HeatRound::PLACES));
        try {
            $celsius = 'contact' === $surface ? $wheel->core : Infrared::corrected($wheel->core, $air, $surface);
        } catch (TooBright) {
            throw InvalidInput::because('input.too-bright');
        }
        if (($air < -40.0 || $air > 60.0 || $celsius < $air - 10.0 || $celsius > 700.0) && !$form->getBoolean('sure')) {
            throw InvalidInput::because('input.temperature', ['typed' => $wheel->typed]);
        }

        return ['typed' => $wheel->typed, 'unit' => $wheel->unit->value, 'core' => round($celsius - $air, 1), 'air_c' => $air, 'surface' => $surface, 'place' => $place, 'since_s' => $this->since($form, $row)];
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

    /**
     * The cooling that the first wheel, taken again last, shows; else the usual one.
     *
     * @param InputBag<bool|float|int|string> $form
     */
    private function cooling(InputBag $form, string $first): float
    {
        $typed = $form->all('number')[$first] ?? '';
        $again = $this->fields->optional($form, 'again');
        if ('' === $again || !\is_string($typed) || '' === $typed) {
            return HeatRound::STANDING_S;
        }
        $before = $this->measuredK($form, $typed, $first);
        $after = $this->measuredK($form, $again, 'again');

        return HeatRound::cooling($before['core'], $before['since_s'], $after['core'], $after['since_s']) ?? HeatRound::STANDING_S;
    }
}
