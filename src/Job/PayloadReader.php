<?php

declare(strict_types=1);

namespace App\Job;

use App\Text\Units;
use Rodrel\Core\Catalogue;
use Rodrel\Core\Check\ObserverKind;
use Rodrel\Core\Check\PadWear;
use Rodrel\Core\Heat\HeatRound;
use Rodrel\Core\Heat\Infrared;
use Rodrel\Core\Heat\TooBright;
use Rodrel\Core\Heat\TooLate;
use Rodrel\Core\Job\Kind;
use Rodrel\Core\Quantity\InvalidMeasure;
use Rodrel\Core\Quantity\Measured;
use Rodrel\Core\Quantity\Quantity;
use Rodrel\Core\Quantity\Unit;
use Rodrel\Core\Vehicle\Composer;
use Rodrel\Core\Vehicle\WearLimit;
use Symfony\Component\HttpFoundation\InputBag;

/** Turns what a form sent into the payload of an entry; every complaint says what to do. */
final readonly class PayloadReader
{
    private const NOTE_LENGTH = 500;

    public function __construct(private Catalogue $catalogue, private Units $units)
    {
    }

    /**
     * @param InputBag<bool|float|int|string> $form
     *
     * @return array<string, mixed>
     *
     * @throws InvalidInput
     */
    public function read(Kind $kind, InputBag $form): array
    {
        return match ($kind) {
            Kind::Intake => $this->intake($form),
            Kind::Reading => $this->reading($form),
            Kind::Figures => $this->figures($form),
            Kind::Lift => ['to' => $this->choice($form, 'to', ['ground', 'raised', 'wheels-off']), 'stands' => $form->getBoolean('stands')],
            Kind::Cool, Kind::Bled, Kind::Handover => [],
            Kind::Undo => ['cancels' => $this->text($form, 'cancels')],
            Kind::Prepared => ['item' => $this->text($form, 'item')],
            Kind::Step => $this->step($form),
            Kind::Confirm => ['step' => $this->text($form, 'step')],
            Kind::Repaired => ['group' => $this->text($form, 'group'), 'sheet' => $this->text($form, 'sheet')],
            Kind::Bleed => $this->bleed($form),
            Kind::BleedSetup => $this->bleedSetup($form),
            Kind::Waive => ['criterion' => $this->text($form, 'criterion'), 'reason' => $this->text($form, 'reason', 'input.reason')],
            Kind::Override => ['gate' => $this->text($form, 'gate'), 'reason' => $this->text($form, 'reason', 'input.reason')],
            Kind::Item => ['text' => $this->text($form, 'text', 'input.item'), 'due' => $this->optional($form, 'due'), 'safety' => $form->getBoolean('safety')] + ($form->getBoolean('refused') ? ['refused' => true, 'reason' => $this->text($form, 'reason', 'input.reason'), 'told' => $this->text($form, 'told')] : []),
            Kind::Settled => ['item' => $this->text($form, 'item')],
            Kind::Photo => throw InvalidInput::because('input.picture-missing'),
            Kind::Finding => throw InvalidInput::because('input.finding'),
        };
    }

    /**
     * @param InputBag<bool|float|int|string> $form
     *
     * @return array<string, mixed>
     */
    public function intake(InputBag $form): array
    {
        $what = $this->choice($form, 'what', ['drags', 'pulls', 'locks', 'pedal-long', 'weak', 'none'], 'input.what');
        $where = $this->optional($form, 'where');
        if ('drags' === $what && !\in_array($where, ['lf', 'rf', 'lr', 'rr', 'front', 'rear', 'all'], true) || 'pulls' === $what && !\in_array($where, ['left', 'right'], true)
            || 'locks' === $what && !\in_array($where, ['front', 'rear'], true)) {
            throw InvalidInput::because('input.where');
        }
        $pattern = $this->optional($form, 'pattern');
        $parts = [];
        foreach ($form->all('parts') as $row) {
            if (\is_array($row) && '' !== ($row['part'] ?? '') && '' !== ($row['place'] ?? '')) {
                $weeks = filter_var($row['weeks'] ?? '', \FILTER_VALIDATE_INT, ['options' => ['min_range' => 0, 'max_range' => 520]]);
                $parts[] = ['part' => (string) $row['part'], 'place' => (string) $row['place'], 'weeks' => \is_int($weeks) ? $weeks : throw InvalidInput::because('input.weeks')];
            }
        }

        return [
            'complaint' => match ($what) {
                'drags', 'locks' => $what.'-'.$where,
                'pulls' => $what.'-'.$where.('first' === $this->optional($form, 'timing') ? '-first' : ''),
                default => $what,
            },
            'pattern' => \in_array($pattern, ['always', 'warm', 'engine-only', 'comes-goes', 'lets-go'], true) ? $pattern : '',
            'hot' => $form->getBoolean('hot'),
            'driven_in' => $form->getBoolean('driven_in'),
            'stood' => $form->getBoolean('stood'),
            'parts' => $parts,
            'note' => mb_substr($this->optional($form, 'note'), 0, self::NOTE_LENGTH),
        ];
    }

    /**
     * @param InputBag<bool|float|int|string> $form
     *
     * @return array<string, mixed>
     */
    private function reading(InputBag $form): array
    {
        $id = $this->text($form, 'check');
        $check = $this->catalogue->check($id);
        $words = $form->all('word');
        $typed = $form->all('number');
        $outcomes = $numbers = [];
        foreach ($check->rows as $row => $observer) {
            if ($observer->isOverAir()) {
                $numbers[(string) $row] = $this->overAir($form, (string) $row, $this->cooling($form, (string) array_key_first($check->rows)));
            } elseif (ObserverKind::Number === $observer->kind) {
                $text = $typed['' === $row ? 0 : $row] ?? '';
                $measured = $this->parse(\is_string($text) ? $text : '', Quantity::from((string) $observer->quantity), Unit::from((string) $observer->unit));
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

        $again = isset($check->rows['lf']) && $check->rows['lf']->isOverAir() && '' !== $this->optional($form, 'again') ? $this->measuredK($form, $this->optional($form, 'again'), 'again') : [];

        return array_filter(['check' => $id, 'outcomes' => $outcomes, 'numbers' => $numbers, 'again' => $again, 'measured' => $this->measuredBehind($form), 'unsure' => $form->getBoolean('unsure')], static fn (mixed $v): bool => [] !== $v);
    }

    /**
     * Four thicknesses make the word.
     *
     * @param InputBag<bool|float|int|string> $form
     */
    private function wear(InputBag $form): string
    {
        $mm = array_map(fn (string $spot): float => $this->measure($form, $spot, Quantity::Length, Unit::Millimetre)['core'], ['inner_a', 'inner_b', 'outer_a', 'outer_b']);
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
        $measured = $this->measure($form, 'measured', Quantity::Length, Unit::Millimetre)['core'];
        $limit = $this->measure($form, 'limit', Quantity::Length, Unit::Millimetre)['core'];
        $wear = 'drum' === $this->choice($form, 'part', ['drum', 'rotor']) ? WearLimit::ofDrum($measured, $limit) : WearLimit::ofRotor($measured, $limit);
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
            if ('' !== $this->optional($form, $key)) {
                $kept[$key] = mb_substr($this->optional($form, $key), 0, 30);
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
        $wheel = $this->parse($typed, Quantity::Temperature, Unit::Celsius);
        $air = $this->measure($form, 'air', Quantity::Temperature, Unit::Celsius)['core'];
        $surface = $this->choice($form, 'surface', ['contact', ...array_keys(Infrared::SURFACES)], 'input.surface');
        $place = '' === $this->optional($form, 'place') ? 'rotor' : $this->choice($form, 'place', array_keys(HeatRound::PLACES));
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

        return '' === $typed ? 0.0 : $this->parse($typed, Quantity::Time, Unit::Minute)->core;
    }

    /**
     * The cooling that the first wheel, taken again last, shows; else the usual one.
     *
     * @param InputBag<bool|float|int|string> $form
     */
    private function cooling(InputBag $form, string $first): float
    {
        $typed = $form->all('number')[$first] ?? '';
        $again = $this->optional($form, 'again');
        if ('' === $again || !\is_string($typed) || '' === $typed) {
            return HeatRound::STANDING_S;
        }
        $before = $this->measuredK($form, $typed, $first);
        $after = $this->measuredK($form, $again, 'again');

        return HeatRound::cooling($before['core'], $before['since_s'], $after['core'], $after['since_s']) ?? HeatRound::STANDING_S;
    }

    /**
     * The vehicle's own figures: bores and limits in mm, masses in kg, torques by step; empty fields stay typical.
     *
     * @param InputBag<bool|float|int|string> $form
     *
     * @return array{figures: array<string, array{typed: string, unit: string, core: float}>, torques: array<string, array{typed: string, unit: string, core: float}>}
     */
    private function figures(InputBag $form): array
    {
        $figures = $torques = [];
        foreach ($form->all('figure') as $name => $typed) {
            $typed = \is_string($typed) ? trim($typed) : '';
            if ('' === $typed || !isset(Composer::FIGURES[$name])) {
                continue;
            }
            $measured = match (true) {
                str_ends_with((string) $name, '_mm') => $this->parse($typed, Quantity::Length, Unit::Millimetre),
                str_ends_with((string) $name, '_m') => $this->parse($typed, Quantity::Length, Unit::Millimetre),
                str_ends_with((string) $name, '_kg') => $this->parse($typed, Quantity::Mass, Unit::Kilogram),
                str_ends_with((string) $name, '_ml') => $this->parse($typed, Quantity::Volume, Unit::Millilitre),
                default => null,
            };
            $ratio = str_replace(',', '.', $typed);
            $figures[(string) $name] = null !== $measured
                ? ['typed' => $measured->typed, 'unit' => $measured->unit->value, 'core' => str_ends_with((string) $name, '_m') ? $measured->core / 1000.0 : $measured->core]
                : ['typed' => $typed, 'unit' => '', 'core' => is_numeric($ratio) ? (float) $ratio : throw InvalidInput::because('input.ratio', ['typed' => $typed])];
            [$low, $high] = Composer::FIGURES[$name];
            $scale = str_ends_with((string) $name, '_m') ? 1000.0 : 1.0;
            if ($figures[(string) $name]['core'] < $low || $figures[(string) $name]['core'] > $high) {
                throw InvalidInput::because('input.figure-range', ['typed' => $typed, 'low' => (string) ($low * $scale), 'high' => (string) ($high * $scale)]);
            }
        }
        foreach ($form->all('torque') as $step => $typed) {
            if (\is_string($typed) && '' !== trim($typed)) {
                $measured = $this->parse(trim($typed), Quantity::Torque, Unit::NewtonMetre);
                $torques[(string) $step] = ['typed' => $measured->typed, 'unit' => $measured->unit->value, 'core' => $measured->core];
            }
        }
        if ([] === $figures && [] === $torques) {
            throw InvalidInput::because('input.no-own-figure');
        }

        return ['figures' => $figures, 'torques' => $torques];
    }

    /**
     * @param InputBag<bool|float|int|string> $form
     *
     * @return array<string, mixed>
     */
    private function step(InputBag $form): array
    {
        $payload = ['sheet' => $this->text($form, 'sheet'), 'step' => $this->text($form, 'step')];
        if ('' !== $this->optional($form, 'figure')) {
            $quantity = $this->measures($payload['step']);
            $payload['figure'] = $this->measure($form, 'figure', $quantity, $quantity->coreUnit());
        }

        return $payload;
    }

    private function measures(string $step): Quantity
    {
        foreach ($this->catalogue->procedures as $procedure) {
            foreach ($procedure->steps as $known) {
                if ($known->id === $step && null !== $known->measures) {
                    return $known->measures;
                }
            }
        }
        throw InvalidInput::because('input.no-figure');
    }

    /**
     * @param InputBag<bool|float|int|string> $form
     *
     * @return array<string, mixed>
     */
    private function bleed(InputBag $form): array
    {
        $count = static function (string $key) use ($form): int {
            $number = filter_var($form->get($key), \FILTER_VALIDATE_INT, ['options' => ['min_range' => 0, 'max_range' => 5000]]);

            return \is_int($number) ? $number : throw InvalidInput::because('input.strokes');
        };

        return [
            'corner' => $this->choice($form, 'corner', ['lf', 'rf', 'lr', 'rr']),
            'bleeder' => $this->choice($form, 'bleeder', ['', 'inner', 'outer']),
            'strokes' => $count('strokes'),
            'unit' => '' === $this->optional($form, 'unit') ? 'strokes' : $this->choice($form, 'unit', ['strokes', 'ml']),
            'bubbles' => $this->choice($form, 'bubbles', ['none', 'few', 'many'], 'input.bubbles'),
            'clear' => $count('clear'),
            'colour' => mb_substr($this->optional($form, 'colour'), 0, 60),
        ];
    }

    /**
     * @param InputBag<bool|float|int|string> $form
     *
     * @return array<string, mixed>
     */
    private function bleedSetup(InputBag $form): array
    {
        $own = [];
        foreach (preg_split('/[\s,;>]+/', mb_strtolower($this->optional($form, 'own')), -1, \PREG_SPLIT_NO_EMPTY) ?: [] as $word) {
            $own[] = \in_array($word, ['lf', 'rf', 'lr', 'rr'], true) ? $word : throw InvalidInput::because('input.own-order');
        }

        return [
            'method' => $this->choice($form, 'method', array_keys($this->catalogue->bleeding->methods), 'input.method'),
            'plate' => $this->choice($form, 'plate', array_keys($this->catalogue->bleeding->fluids), 'input.fluid'),
            'fluid' => $this->choice($form, 'fluid', array_keys($this->catalogue->bleeding->fluids), 'input.fluid'),
            'purpose' => $this->choice($form, 'purpose', ['opened', 'renew']),
            'own' => array_values(array_unique($own)),
        ];
    }

    /**
     * @param InputBag<bool|float|int|string> $form
     *
     * @return array{typed: string, unit: string, core: float}
     */
    private function measure(InputBag $form, string $key, Quantity $quantity, Unit $bare): array
    {
        $measured = $this->parse($this->optional($form, $key), $quantity, $bare);

        return ['typed' => $measured->typed, 'unit' => $measured->unit->value, 'core' => $measured->core];
    }

    private function parse(string $typed, Quantity $quantity, Unit $bare): Measured
    {
        try {
            return Measured::parse($quantity, $typed, $this->units->of($quantity, $bare));
        } catch (InvalidMeasure $wrong) {
            throw InvalidInput::because($wrong->key, $wrong->parameters);
        }
    }

    /**
     * @param InputBag<bool|float|int|string> $form
     * @param list<string>                    $allowed
     */
    private function choice(InputBag $form, string $key, array $allowed, string $complaint = 'input.choice'): string
    {
        $value = $this->optional($form, $key);

        return \in_array($value, $allowed, true) ? $value : throw InvalidInput::because($complaint, ['choices' => implode(', ', $allowed)]);
    }

    /** @param InputBag<bool|float|int|string> $form */
    private function text(InputBag $form, string $key, string $complaint = 'input.missing'): string
    {
        $value = $this->optional($form, $key);

        return '' !== $value ? mb_substr($value, 0, self::NOTE_LENGTH) : throw InvalidInput::because($complaint, ['field' => $key]);
    }

    /** @param InputBag<bool|float|int|string> $form */
    private function optional(InputBag $form, string $key): string
    {
        $value = $form->get($key, '');

        return trim((string) $value);
    }
}
