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
use Rodrel\Core\Quantity\Quantity;
use Rodrel\Core\Quantity\Unit;
use Rodrel\Core\Vehicle\PadWear;
use Rodrel\Core\Vehicle\WearLimit;
use Rodrel\Core\Vocabulary\CheckAt;
use Symfony\Component\HttpFoundation\InputBag;

/**
 * Turns an answered sheet into a reading: words, numbers as typed, temperatures, and words made out of typed figures.
 */
final readonly class ReadingForm
{
    private const PAD_SPOTS = ['inner_a', 'inner_b', 'outer_a', 'outer_b'];
    private const LIMIT_FIGURES = ['measured', 'limit'];
    /** No pad is thicker (mm; general workshop practice). */
    private const MOST_PAD_MM = 25.0;

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
        $tau = $check->isHeat() ? $this->temperatures->cooling($form, $check->firstRow()->id) : HeatRound::STANDING_S;
        foreach ($check->rows as $row) {
            if ($row->observer->isOverAir()) {
                $numbers[$row->id] = $this->temperatures->atStop($form, $row->id, $tau);
            } elseif ($this->isSkipped($form, $check, $row)) {
                continue;
            } elseif (null !== $row->observer->typed) {
                $numbers[$row->id] = $this->number($form, $row->id, $row->observer->typed);
            } else {
                $word = $words['' === $row->id ? 0 : $row->id] ?? $this->judged($form, $check);
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

        return new ReadingPayload($at, $outcomes, $numbers, $unsure, $again, $this->behind($form));
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
     * The word that typed figures make, on the sheets that have such figures.
     *
     * @param InputBag<bool|float|int|string> $form
     */
    private function judged(InputBag $form, Check $check): ?string
    {
        return match ($check->role->measures) {
            'pad-wear' => $this->wear($form),
            'wear-limit' => $this->limit($form),
            default => null,
        };
    }

    /**
     * Four thicknesses make the word.
     *
     * @param InputBag<bool|float|int|string> $form
     */
    private function wear(InputBag $form): string
    {
        $mm = array_map(
            fn (string $spot): float => $this->fields->measured($form, $spot, Quantity::Length, Unit::Millimetre)->core,
            self::PAD_SPOTS,
        );
        if (max($mm) > self::MOST_PAD_MM && !$form->getBoolean('sure')) {
            throw InvalidInput::because('input.implausible', [
                'typed' => (string) max($mm),
                'low' => '0',
                'high' => (string) self::MOST_PAD_MM,
                'unit' => Unit::Millimetre->value,
            ]);
        }

        return PadWear::of(...$mm)->word;
    }

    /**
     * What was measured against the stamped limit; a limit that cannot be is questioned.
     *
     * @param InputBag<bool|float|int|string> $form
     */
    private function limit(InputBag $form): string
    {
        [$measured, $limit] = array_map(
            fn (string $key): float => $this->fields->measured($form, $key, Quantity::Length, Unit::Millimetre)->core,
            self::LIMIT_FIGURES,
        );
        $wear
            = 'drum' === $this->fields->choice($form, 'part', ['drum', 'rotor'])
                ? WearLimit::ofDrum($measured, $limit)
                : WearLimit::ofRotor($measured, $limit);
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
    private function behind(InputBag $form): array
    {
        $kept = [];
        foreach ([...self::PAD_SPOTS, ...self::LIMIT_FIGURES] as $key) {
            if ('' !== $this->fields->optional($form, $key)) {
                $kept[$key] = $this->fields->optional($form, $key, 30);
            }
        }

        return $kept;
    }
}
