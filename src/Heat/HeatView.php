<?php

declare(strict_types=1);

namespace App\Heat;

use App\Job\LoadedJob;
use App\Text\Letters;
use App\Text\Say;
use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Check\Row;
use Rodrel\Core\Heat\HeatRound;
use Rodrel\Core\Heat\ToldDrive;
use Rodrel\Core\Log\Entry;
use Rodrel\Core\Log\Payload\ReadingPayload;
use Rodrel\Core\Prediction\SoundSignature;
use Rodrel\Core\Vocabulary\Corner;

/** Turns logged temperatures into what a page shows. */
final readonly class HeatView
{
    /** Length of the longest bar on the plan. */
    private const BAR = 74.0;
    /** Where each pad's bar starts on the plan and which way it grows. */
    private const AT = ['lf' => [150, 66, -1], 'rf' => [250, 66, 1], 'lr' => [150, 250, -1], 'rr' => [250, 250, 1]];
    /** A wheel is called hot from so many kelvins over the air on, whatever the drive (K; estimate). */
    private const HOT_FROM_K = 10.0;
    private const SIGMAS = 2.0;

    public function __construct(private Catalogue $catalogue, private Say $say)
    {
    }

    /** @return list<RoundView> in the order they were taken */
    public function rounds(LoadedJob $loaded): array
    {
        $rounds = [];
        $sound = $loaded->state->sound();
        if (null === $sound) {
            return [];
        }
        foreach ($loaded->state->story->chapters as $chapter) {
            foreach ($chapter->entriesOf(ReadingPayload::class) as $entry) {
                $check = $entry->payload->check;
                if (!$this->catalogue->checks->of($check)->isHeat()) {
                    continue;
                }
                $before = null;
                foreach ($rounds as $round) {
                    $before = $check->is($round->check) && $round->epoch < $chapter->number ? $round : $before;
                }
                $rounds[] = $this->round($loaded, $sound, $entry, $chapter->number, $before);
            }
        }

        return $rounds;
    }

    /** @param Entry<ReadingPayload> $entry */
    private function round(
        LoadedJob $loaded,
        SoundSignature $sound,
        Entry $entry,
        int $epoch,
        ?RoundView $before,
    ): RoundView {
        $reading = $entry->payload;
        $row = $this->catalogue->checks->of($reading->check)->firstRow();
        $known = $this->catalogue->checks->drives[$row->observer->with()->word('drive')];
        $told = ToldDrive::read($reading->measured);
        $drive = $told->drive ?? $known;
        $excess = $expected = [];
        $air = 15.0;
        foreach ($reading->numbers as $corner => $number) {
            $excess[$corner] = $number->figure->core;
            $median = $sound->median($reading->check, $corner);
            $wheel = Corner::from($corner);
            $expected[$corner] = $median * ($told?->factor($loaded->layout, $wheel, $known, $median) ?? 1.0);
            $air = $number->taken->airC ?? $air;
        }
        $tau = $this->cooling($reading, $row);
        $round = HeatRound::of($loaded->layout, $drive, $excess, $expected, $air, $tau);
        $longest = max(1.0, ...array_values($excess), ...array_values($expected), ...array_values($before->over ?? []));
        $wheels = [];
        foreach (Corner::cases() as $corner) {
            $wheels[$corner->value] = $this->wheel($reading, $round, $row, $corner, $longest, $before);
        }

        return new RoundView(
            $reading->check,
            $epoch,
            ['name' => $this->say->check($reading->check), 'at' => $entry->takenAt, 'air' => $air],
            $wheels,
            array_map($this->axle(...), $round->axles),
            [
                'said' => $this->sentence($wheels, $round),
                'tau' => null === $tau ? null : (int) round($tau / 60.0),
                'stops' => $drive->stops,
                'driven' => implode(', ', $this->say->noted($reading->check, $reading->measured)),
                'doubtful' => true === $told?->isDoubtful(),
                'after' => null !== $before,
            ],
            $excess,
        );
    }

    /** @return array<string, mixed> */
    private function wheel(
        ReadingPayload $reading,
        HeatRound $round,
        Row $row,
        Corner $corner,
        float $longest,
        ?RoundView $before,
    ): array {
        $id = $corner->value;
        [$x, $y, $way] = self::AT[$id];
        $seen = $round->wheels[$id];
        $number = $reading->numbers[$id];
        $spread = exp(self::SIGMAS * $row->observer->wording->noise);
        $hotFrom = $row->observer->wording->limits[1] * $seen['expected_k'];
        $was = $before->over[$id] ?? null;

        return [
            'id' => $id,
            'name' => $this->say->place($id),
            'over' => (int) round($seen['excess_k']),
            'low' => (int) round($seen['expected_k'] / $spread),
            'high' => (int) round($seen['expected_k'] * $spread),
            'drag' => (int) round($seen['drag_nm']),
            'watts' => (int) round($seen['watts']),
            'hot' => $seen['excess_k'] > $hotFrom && $seen['excess_k'] > self::HOT_FROM_K,
            'cold' => $id === ($round->axles[$corner->isFront() ? 'front' : 'rear']['cold'] ?? null),
            'before' => null === $was ? null : (int) round($was),
            'x' => $x,
            'y' => $y,
            'way' => $way,
            'bar' => round((self::BAR * $seen['excess_k']) / $longest, 1),
            'mark' => round((self::BAR * $seen['expected_k']) / $longest, 1),
            'was' => null === $was ? null : round(self::BAR * min(1.0, $was / $longest), 1),
            'typed' => $number->figure->said(),
            'raw' => null === $number->taken ? null : (int) round($number->taken->rawK),
            'since' => $number->taken->sinceS ?? 0.0,
            'place' => $number->taken->place ?? HeatRound::ROTOR,
        ];
    }

    /**
     * @param array{apart_k: float, hotter: string|null, cold: string|null} $axle
     *
     * @return array{apart: int, hotter: string|null, cold: string|null}
     */
    private function axle(array $axle): array
    {
        $named = fn (?string $corner): ?string => null === $corner ? null : $this->say->place($corner);

        return [
            'apart' => (int) round($axle['apart_k']),
            'hotter' => $named($axle['hotter']),
            'cold' => $named($axle['cold']),
        ];
    }

    /**
     * The cooling that the first wheel showed when it was taken again, and that its neighbours were carried back with
     * (s).
     */
    private function cooling(ReadingPayload $reading, Row $first): ?float
    {
        $before = $reading->numbers[$first->id]->taken ?? null;
        $again = $reading->again?->taken;

        return null === $before || null === $again
            ? null
            : HeatRound::cooling($before->rawK, $before->sinceS, $again->rawK, $again->sinceS);
    }

    /** @param array<string, array<string, mixed>> $wheels */
    private function sentence(array $wheels, HeatRound $round): string
    {
        $worst = Corner::LeftFront->value;
        foreach ($round->wheels as $id => $wheel) {
            $worst = $wheel['drag_nm'] > $round->wheels[$worst]['drag_nm'] ? $id : $worst;
        }
        if (true === $wheels[$worst]['hot']) {
            return $this->say->ui('heat.drags', [
                'where' => Letters::up($this->say->place($worst)),
                'nm' => (string) (int) round($round->wheels[$worst]['drag_nm']),
                'watts' => (string) (int) round($round->wheels[$worst]['watts']),
            ]);
        }
        foreach ($wheels as $id => $wheel) {
            if (true === $wheel['cold']) {
                return $this->say->ui('heat.cold', ['where' => Letters::up($this->say->place($id))]);
            }
        }

        return $this->say->ui('heat.even');
    }
}
