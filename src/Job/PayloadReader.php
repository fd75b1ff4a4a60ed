<?php

declare(strict_types=1);

namespace App\Job;

use Rodrel\Core\Catalogue;
use Rodrel\Core\Job\Kind;
use Rodrel\Core\Quantity\Quantity;
use Rodrel\Core\Quantity\Unit;
use Rodrel\Core\Vehicle\Composer;
use Symfony\Component\HttpFoundation\InputBag;

/** Turns what a form sent into the payload of an entry; every complaint says what to do. */
final readonly class PayloadReader
{
    public function __construct(private Catalogue $catalogue, private Fields $fields, private ReadingReader $readings)
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
            Kind::Reading => $this->readings->read($form),
            Kind::Figures => $this->figures($form),
            Kind::Lift => ['to' => $this->fields->choice($form, 'to', ['ground', 'raised', 'wheels-off']), 'stands' => $form->getBoolean('stands')],
            Kind::Cool, Kind::Bled, Kind::Handover => [],
            Kind::Undo => ['cancels' => $this->fields->text($form, 'cancels')],
            Kind::Prepared => ['item' => $this->fields->text($form, 'item')],
            Kind::Step => $this->step($form),
            Kind::Confirm => ['step' => $this->fields->text($form, 'step')],
            Kind::Repaired => ['group' => $this->fields->text($form, 'group'), 'sheet' => $this->fields->text($form, 'sheet')],
            Kind::Bleed => $this->bleed($form),
            Kind::BleedSetup => $this->bleedSetup($form),
            Kind::Waive => ['criterion' => $this->fields->text($form, 'criterion'), 'reason' => $this->fields->text($form, 'reason', 'input.reason')],
            Kind::Override => ['gate' => $this->fields->text($form, 'gate'), 'reason' => $this->fields->text($form, 'reason', 'input.reason')],
            Kind::Item => ['text' => $this->fields->text($form, 'text', 'input.item'), 'due' => $this->fields->optional($form, 'due'), 'safety' => $form->getBoolean('safety')] + ($form->getBoolean('refused') ? ['refused' => true, 'reason' => $this->fields->text($form, 'reason', 'input.reason'), 'told' => $this->fields->text($form, 'told')] : []),
            Kind::Settled => ['item' => $this->fields->text($form, 'item')],
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
        $what = $this->fields->choice($form, 'what', ['drags', 'pulls', 'locks', 'pedal-long', 'weak', 'none'], 'input.what');
        $where = $this->fields->optional($form, 'where');
        if ('drags' === $what && !\in_array($where, ['lf', 'rf', 'lr', 'rr', 'front', 'rear', 'all'], true) || 'pulls' === $what && !\in_array($where, ['left', 'right'], true)
            || 'locks' === $what && !\in_array($where, ['front', 'rear'], true)) {
            throw InvalidInput::because('input.where');
        }
        $pattern = $this->fields->optional($form, 'pattern');
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
                'pulls' => $what.'-'.$where.('first' === $this->fields->optional($form, 'timing') ? '-first' : ''),
                default => $what,
            },
            'pattern' => \in_array($pattern, ['always', 'warm', 'engine-only', 'comes-goes', 'lets-go'], true) ? $pattern : '',
            'hot' => $form->getBoolean('hot'),
            'driven_in' => $form->getBoolean('driven_in'),
            'stood' => $form->getBoolean('stood'),
            'parts' => $parts,
            'note' => mb_substr($this->fields->optional($form, 'note'), 0, Fields::LONGEST),
        ];
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
                str_ends_with((string) $name, '_mm') => $this->fields->parse($typed, Quantity::Length, Unit::Millimetre),
                str_ends_with((string) $name, '_m') => $this->fields->parse($typed, Quantity::Length, Unit::Millimetre),
                str_ends_with((string) $name, '_kg') => $this->fields->parse($typed, Quantity::Mass, Unit::Kilogram),
                str_ends_with((string) $name, '_ml') => $this->fields->parse($typed, Quantity::Volume, Unit::Millilitre),
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
                $measured = $this->fields->parse(trim($typed), Quantity::Torque, Unit::NewtonMetre);
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
        $payload = ['sheet' => $this->fields->text($form, 'sheet'), 'step' => $this->fields->text($form, 'step')];
        if ('' !== $this->fields->optional($form, 'figure')) {
            $quantity = $this->measures($payload['step']);
            $payload['figure'] = $this->fields->measure($form, 'figure', $quantity, $quantity->coreUnit());
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
            'corner' => $this->fields->choice($form, 'corner', ['lf', 'rf', 'lr', 'rr']),
            'bleeder' => $this->fields->choice($form, 'bleeder', ['', 'inner', 'outer']),
            'strokes' => $count('strokes'),
            'unit' => '' === $this->fields->optional($form, 'unit') ? 'strokes' : $this->fields->choice($form, 'unit', ['strokes', 'ml']),
            'bubbles' => $this->fields->choice($form, 'bubbles', ['none', 'few', 'many'], 'input.bubbles'),
            'clear' => $count('clear'),
            'colour' => mb_substr($this->fields->optional($form, 'colour'), 0, 60),
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
        foreach (preg_split('/[\s,;>]+/', mb_strtolower($this->fields->optional($form, 'own')), -1, \PREG_SPLIT_NO_EMPTY) ?: [] as $word) {
            $own[] = \in_array($word, ['lf', 'rf', 'lr', 'rr'], true) ? $word : throw InvalidInput::because('input.own-order');
        }

        return [
            'method' => $this->fields->choice($form, 'method', array_keys($this->catalogue->bleeding->methods), 'input.method'),
            'plate' => $this->fields->choice($form, 'plate', array_keys($this->catalogue->bleeding->fluids), 'input.fluid'),
            'fluid' => $this->fields->choice($form, 'fluid', array_keys($this->catalogue->bleeding->fluids), 'input.fluid'),
            'purpose' => $this->fields->choice($form, 'purpose', ['opened', 'renew']),
            'own' => array_values(array_unique($own)),
        ];
    }
}
