<?php

declare(strict_types=1);

namespace App\Text;

use Rodrel\Core\Check\Row;
use Rodrel\Core\Prediction\SoundSignature;
use Rodrel\Core\Quantity\Unit;
use Rodrel\Core\Vocabulary\CheckAt;

/** From which figure to which each word of a row stands, in the reader's unit; typical, since computed. */
final readonly class Bands
{
    public function __construct(private Say $say, private Units $units)
    {
    }

    /**
     * What a sound vehicle of this layout shows where a number is typed, so that one knows what to compare with.
     */
    public function usual(?SoundSignature $sound, CheckAt $at, Row $row): ?string
    {
        $typed = $row->observer->typed;
        if (null === $sound || null === $typed || $row->observer->isOverAir()) {
            return null;
        }
        $median = $sound->median($at, $row->id);
        $spread = exp(2.0 * $row->observer->wording->noise);

        return $this->say->ui('check.sound', [
            'low' => $this->units->figure($median / $spread, $typed->quantity, $typed->unit),
            'high' => $this->units->figure($median * $spread, $typed->quantity, $typed->unit),
            'unit' => $this->units->of($typed->quantity, $typed->unit)->value,
        ]);
    }

    /** @return list<array{id: string, word: string, band: string}> empty where words rest on no figure */
    public function of(?SoundSignature $sound, CheckAt $at, Row $row): array
    {
        $wording = $row->observer->wording;
        $scale = $wording->relativeToSound ? $sound?->median($at, $row->id) : 1.0;
        if (null === $this->unit($row) || null === $scale) {
            return [];
        }
        $limits = array_map(static fn (float $limit): float => $limit * $scale, $wording->limits);
        $bands = [];
        foreach ($wording->words as $n => $word) {
            $low = $limits[$n - 1] ?? null;
            $high = $limits[$n] ?? null;
            $key = null === $low ? 'band.under' : (null === $high ? 'band.from' : 'band.between');
            $said = $this->say->ui($key, [
                'low' => null === $low ? '' : $this->figure($low, $row),
                'high' => null === $high ? '' : $this->figure($high, $row),
                'unit' => (string) $this->unit($row),
            ]);
            $bands[] = [
                'id' => $word,
                'word' => $this->say->word($at, $row->id, $word),
                'band' => $said,
            ];
        }

        return $bands;
    }

    /**
     * "Normal, under 78 mm": what passes, with the figure it rests on; '' where it rests on the eye alone.
     *
     * @param list<string> $words that pass
     */
    public function passing(?SoundSignature $sound, CheckAt $at, Row $row, array $words): string
    {
        $said = [];
        foreach ($this->of($sound, $at, $row) as $band) {
            if (\in_array($band['id'], $words, true)) {
                $said[] = $band['word'].', '.$band['band'];
            }
        }

        return implode('; ', $said);
    }

    /** "As expected, 0.5 to 1.8 times what such a drive makes there": heat goes by its share, not by its degrees. */
    public function heat(CheckAt $at, Row $row): string
    {
        $wording = $row->observer->wording;
        $good = (int) array_search('as-expected', $wording->words, true);

        return $this->say->ui('band.heat', [
            'word' => $this->say->word($at, $row->id, $wording->words[$good]),
            'low' => Letters::number((string) ($wording->limits[$good - 1] ?? 0.0)),
            'high' => Letters::number((string) ($wording->limits[$good] ?? 0.0)),
        ]);
    }

    private function unit(Row $row): ?string
    {
        $typed = $row->observer->typed;
        $probe = $row->observer->source?->probe;
        if ($row->observer->isOverAir() || [] === $row->observer->wording->limits || null === $probe) {
            return null;
        }
        if (null !== $typed) {
            return $this->units->of($typed->quantity, $typed->unit)->value;
        }
        $unit = Unit::tryFrom($probe::unit());

        return null === $unit ? null : $this->units->of($unit->quantity(), $unit)->shown();
    }

    private function figure(float $core, Row $row): string
    {
        $typed = $row->observer->typed;
        $probe = $row->observer->source?->probe;
        $unit = $typed->unit ?? (null === $probe ? null : Unit::tryFrom($probe::unit()));
        $quantity = $typed->quantity ?? $unit?->quantity();

        return null === $quantity
            ? Letters::number((string) round($core, 1))
            : $this->units->figure($core, $quantity, $unit);
    }
}
