<?php

declare(strict_types=1);

namespace App\Job;

use App\Input\InvalidInput;
use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Check\Check;
use Rodrel\Core\Check\Observer\Typed;
use Rodrel\Core\Check\Row;
use Rodrel\Core\Heat\HeatRound;
use Rodrel\Core\Heat\Infrared;
use Rodrel\Core\Log\Payload\Figure;
use Rodrel\Core\Log\Payload\ReadingPayload;
use Rodrel\Core\Log\Payload\TypedNumber;
use Rodrel\Core\Quantity\Unit;
use Rodrel\Core\Vehicle\Measuring;
use Rodrel\Core\Vocabulary\CheckAt;
use Symfony\Component\HttpFoundation\InputBag;

/**
 * Turns an answered sheet into a reading: words, numbers as typed, temperatures, and words made out of typed figures.
 */
final readonly class ReadingForm
{
    /** No lining is thicker, no rotor or drum wider (mm; general workshop practice). */
    private const MOST_LINING_MM = 25.0;
    private const MOST_MM = 600.0;
    private const MOST_KM = 2_000_000;
    private const LONGEST_NOTE = 120;

    public function __construct(
        private Catalogue $catalogue,
        private Fields $fields,
        private TemperatureForm $temperatures,
    ) {
    }

    /** @param InputBag<bool|float|int|string> $form */
    public function read(InputBag $form): ReadingPayload
    {
        $at = CheckAt::tryParse($this->fields->text($form, 'check')) ?? throw InvalidInput::because('input.row');
        $check = $this->catalogue->checks->of($at);
        $words = $form->all('word');
        $outcomes = $numbers = [];
        $judged = $this->judged($form, $check->role->measures);
        $tau = $check->isHeat() ? $this->temperatures->cooling($form, $check->firstRow()->id) : HeatRound::STANDING_S;
        foreach ($check->rows as $row) {
            if ($row->observer->isOverAir()) {
                $numbers[$row->id] = $this->temperatures->atStop($form, $row->id, $tau);
            } elseif (!isset($judged[$row->id]) && $this->isSkipped($form, $check, $row)) {
                continue;
            } elseif (null !== $row->observer->typed) {
                $numbers[$row->id] = $this->number($form, $row->id, $row->observer->typed);
            } else {
                // what was measured goes before what was ticked
                $word = $judged[$row->id] ?? $words['' === $row->id ? 0 : $row->id] ?? null;
                $known = \is_string($word) && \in_array($word, $row->observer->words(), true);
                $outcomes[$row->id] = $known ? $word : throw InvalidInput::because('input.row');
            }
        }
        if ([] === $outcomes && [] === $numbers) {
            throw InvalidInput::because('input.row');
        }
        $again = $check->isHeat() ? $this->temperatures->again($form) : null;

        // a worn grey face is read like all the others of its round, and counts half
        $weak = $check->isHeat() && Infrared::isWeak($form->getString('surface'));
        $unsure = $weak || $form->getBoolean('unsure');

        $behind = $this->behind($form, $check->role->measures) + $this->noted($form, $check);

        return new ReadingPayload($at, $outcomes, $numbers, $unsure, $again, $behind);
    }

    /**
     * What was written down beside the answers.
     *
     * @param InputBag<bool|float|int|string> $form
     *
     * @return array<string, string>
     */
    private function noted(InputBag $form, Check $check): array
    {
        $noted = [];
        foreach ($check->role->noted as $key) {
            $text = $form->all('noted')[$key] ?? '';
            $text = \is_string($text) ? trim($text) : '';
            if (mb_strlen($text) > self::LONGEST_NOTE) {
                throw InvalidInput::because('input.too-long', [
                    'length' => (string) mb_strlen($text),
                    'most' => (string) self::LONGEST_NOTE,
                ]);
            }
            $noted += '' === $text ? [] : [$key => $text];
        }

        return $noted;
    }

    /**
     * A row of a sheet that was left open: what was seen is kept, the row can still be asked.
     *
     * @param InputBag<bool|float|int|string> $form
     */
    private function isSkipped(InputBag $form, Check $check, Row $row): bool
    {
        $typed = $form->all('number')[$row->id] ?? '';
        $answer = null === $row->observer->typed ? $form->all('word')[$row->id] ?? '' : $typed;

        return \count($check->rows) > 1 && (!\is_string($answer) || '' === trim($answer));
    }

    /** @param InputBag<bool|float|int|string> $form */
    private function number(InputBag $form, string $row, Typed $typed): TypedNumber
    {
        $text = $form->all('number')['' === $row ? 0 : $row] ?? '';
        $measured = $this->fields->parse(\is_string($text) ? $text : '', $typed->quantity, $typed->unit);
        if (!$typed->isPlausible($measured->core) && !$form->getBoolean('sure')) {
            throw InvalidInput::because('input.implausible', [
                'typed' => $measured->typed,
                'low' => (string) $typed->least,
                'high' => (string) $typed->most,
                'unit' => $typed->quantity->coreUnit()->value,
            ]);
        }

        return new TypedNumber(Figure::of($measured));
    }

    /**
     * The words that typed figures make, on the sheets that have such figures.
     *
     * @param InputBag<bool|float|int|string> $form
     *
     * @return array<string, string> by row
     */
    private function judged(InputBag $form, ?Measuring $sheet): array
    {
        $mm = null === $sheet ? [] : $this->figures($form, $sheet);
        $drum = 'drum' === $this->fields->optional($form, 'part');
        if (null === $sheet || [] === $mm) {
            return [];
        }
        $most = match ($sheet) {
            Measuring::PadWear, Measuring::Shoe => self::MOST_LINING_MM,
            Measuring::Stored => \INF,
            default => self::MOST_MM,
        };
        if (max($mm) > $most && !$form->getBoolean('sure')) {
            throw InvalidInput::because('input.implausible', [
                'typed' => (string) max($mm),
                'low' => '0',
                'high' => (string) $most,
                'unit' => Unit::Millimetre->value,
            ]);
        }
        if (Measuring::Limit === $sheet) {
            $wear = Measuring::limit($mm, $drum);
            if (!$wear->plausible && !$form->getBoolean('sure')) {
                throw InvalidInput::because('input.limit', ['left' => (string) round($wear->leftMm, 1)]);
            }
        }

        return $sheet->words($mm + ['bolts' => (float) max(3, $this->fields->count($form, 'bolts') ?: 5)], $drum);
    }

    /**
     * @param InputBag<bool|float|int|string> $form
     *
     * @return array<string, float> mm by field; none where nothing was measured
     */
    private function figures(InputBag $form, Measuring $sheet): array
    {
        $mm = [];
        foreach ($sheet->fields() as $field) {
            if ('' !== $this->fields->optional($form, $field)) {
                $mm[$field] = $this->figure($form, $sheet, $field)[0];
            }
        }
        if ([] === array_diff_key($mm, ['limit' => 0.0])) {
            return []; // a limit that the sheet knew already is no measurement
        }
        foreach ($sheet->fields() as $field) {
            if (!isset($mm[$field]) && !$sheet->mayMiss($field)) {
                throw InvalidInput::because('input.figure', ['typed' => (string) \count($mm)]);
            }
        }

        return $mm;
    }

    /**
     * @param InputBag<bool|float|int|string> $form
     *
     * @return array{float, string} in core units, and as it was typed with its unit
     */
    private function figure(InputBag $form, Measuring $sheet, string $field): array
    {
        $measures = $sheet->measures($field);
        if (null === $measures) {
            $count = $this->fields->count($form, $field);

            return [(float) $count, (string) $count];
        }
        $typed = $this->fields->measured($form, $field, ...$measures);
        $bare = is_numeric(str_replace(',', '.', $typed->typed));

        return [$typed->core, $bare ? $typed->typed.' '.$typed->unit->value : $typed->typed];
    }

    /**
     * What stands behind a measured word, as typed and with its unit; and the kilometres it was measured at.
     *
     * @param InputBag<bool|float|int|string> $form
     *
     * @return array<string, string>
     */
    private function behind(InputBag $form, ?Measuring $sheet): array
    {
        $kept = [];
        if (null === $sheet || [] === $this->figures($form, $sheet)) {
            return $kept;
        }
        foreach ($sheet->fields() as $key) {
            if ('' !== $this->fields->optional($form, $key, 30)) {
                $kept[$key] = $this->figure($form, $sheet, $key)[1];
            }
        }
        $km = str_replace([' ', '.', ','], '', $this->fields->optional($form, 'km', 12));
        if ('' !== $km && [] !== $kept) {
            $kept['km'] = ctype_digit($km) && (int) $km <= self::MOST_KM
                ? $km
                : throw InvalidInput::because('input.km', ['typed' => $km]);
        }

        return $kept;
    }
}
