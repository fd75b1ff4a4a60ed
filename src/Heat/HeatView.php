<?php

declare(strict_types=1);

namespace App\Heat;

use App\Job\LoadedJob;
use App\Text\Say;
use Rodrel\Core\Catalogue;
use Rodrel\Core\Heat\HeatRound;
use Rodrel\Core\Job\Entry;
use Rodrel\Core\Job\Kind;
use Rodrel\Core\Vehicle\Corner;

/** Turns logged temperatures into what a page shows. */
final readonly class HeatView
{
    /** Length of the longest bar on the plan. */
    private const BAR = 74.0;
    /** Where each pad's bar starts on the plan and which way it grows. */
    private const AT = ['lf' => [150, 66, -1], 'rf' => [250, 66, 1], 'lr' => [150, 250, -1], 'rr' => [250, 250, 1]];

    public function __construct(private Catalogue $catalogue, private Say $say)
    {
    }

    /** @return list<array<string, mixed>> in the order they were taken */
    public function rounds(LoadedJob $loaded): array
    {
        $rounds = [];
        foreach ($loaded->state->story->chapters as $chapter) {
            foreach ($chapter->all(Kind::Reading) as $entry) {
                $check = $entry->shape()->text('check');
                $observer = $this->catalogue->check($check)->rows['lf'] ?? null;
                if (null !== $observer && $observer->isOverAir() && null !== $loaded->state->field) {
                    $before = array_values(array_filter($rounds, static fn (array $r): bool => $r['check'] === $check && $r['epoch'] < $chapter->number));
                    $rounds[] = $this->round($loaded, $entry, $check, $chapter->number, [] === $before ? null : $before[\count($before) - 1]);
                }
            }
        }

        return $rounds;
    }

    /**
     * @param array<string, mixed>|null $before the same drive before the repair
     *
     * @return array<string, mixed>
     */
    private function round(LoadedJob $loaded, Entry $entry, string $check, int $epoch, ?array $before): array
    {
        $definition = $this->catalogue->check($check);
        $observer = $definition->rows['lf'];
        $excess = $expected = $typed = [];
        $air = 15.0;
        foreach ($entry->shape()->each('numbers') as $row => $number) {
            $excess[$row] = $number->number('core');
            $expected[$row] = $loaded->state->field?->sound($check, $row) ?? 0.0;
            $air = $number->number('air_c');
            $typed[$row] = ['typed' => $number->text('typed').(is_numeric(str_replace(',', '.', $number->text('typed'))) ? ' '.$number->text('unit') : ''), 'since' => $number->number('since_s', 0.0), 'surface' => $number->text('surface'), 'place' => $number->text('place', 'rotor')];
        }
        $again = $entry->shape()->in('again');
        $first = $entry->shape()->in('numbers')->in('lf');
        $tau = $again->has('core') ? HeatRound::cooling($this->measured($first->number('core'), $first->number('since_s', 0.0)), $first->number('since_s', 0.0), $again->number('core'), $again->number('since_s')) : null;
        $round = HeatRound::of($loaded->layout, $this->catalogue->drives[(string) $observer->drive], $excess, $expected, $air, $tau);
        $top = max(1.0, ...array_values($excess), ...array_values($expected), ...(null === $before ? [] : array_column($before['wheels'], 'over')));
        $wheels = [];
        foreach (Corner::cases() as $corner) {
            $id = $corner->value;
            [$x, $y, $way] = self::AT[$id];
            $wheels[$id] = [
                'id' => $id,
                'name' => $this->say->text('place.'.$id),
                'over' => (int) round($excess[$id]),
                'low' => (int) round($expected[$id] * exp(-2.0 * $observer->noise)),
                'high' => (int) round($expected[$id] * exp(2.0 * $observer->noise)),
                'drag' => (int) round($round->wheels[$id]['drag_nm']),
                'watts' => (int) round($round->wheels[$id]['watts']),
                'hot' => $excess[$id] > $expected[$id] * $observer->limits[1] && $excess[$id] > 10.0,
                'cold' => $id === ($round->axles[$corner->isFront() ? 'front' : 'rear']['cold'] ?? null),
                'before' => null === $before ? null : $before['wheels'][$id]['over'],
                'x' => $x, 'y' => $y, 'way' => $way,
                'bar' => round(self::BAR * $excess[$id] / $top, 1),
                'mark' => round(self::BAR * $expected[$id] / $top, 1),
                'was' => null === $before ? null : round(self::BAR * min(1.0, $before['wheels'][$id]['over'] / $top), 1),
            ] + $typed[$id];
        }

        return [
            'entry' => $entry->id,
            'check' => $check,
            'epoch' => $epoch,
            'name' => $this->say->check($check),
            'at' => $entry->takenAt,
            'air' => $air,
            'wheels' => $wheels,
            'axles' => array_map(fn (array $axle): array => ['apart' => (int) round($axle['apart_k']), 'hotter' => null === $axle['hotter'] ? null : $this->say->text('place.'.$axle['hotter']), 'cold' => null === $axle['cold'] ? null : $this->say->text('place.'.$axle['cold'])], $round->axles),
            'said' => $this->sentence($wheels, $round),
            'tau' => null === $tau ? null : (int) round($tau / 60.0),
            'stops' => $round->drive->stops,
            'after' => null !== $before,
        ];
    }

    /** What was measured before it was carried back to the stop. */
    private function measured(float $atStopK, float $sinceS): float
    {
        return $atStopK * exp(-$sinceS / HeatRound::STANDING_S);
    }

    /** @param array<string, array<string, mixed>> $wheels */
    private function sentence(array $wheels, HeatRound $round): string
    {
        $worst = 'lf';
        foreach ($round->wheels as $id => $wheel) {
            $worst = $wheel['drag_nm'] > $round->wheels[$worst]['drag_nm'] ? $id : $worst;
        }
        if ($wheels[$worst]['hot']) {
            return $this->say->ui('heat.drags', ['where' => ucfirst($this->say->text('place.'.$worst)), 'nm' => (string) $wheels[$worst]['drag'], 'watts' => (string) $wheels[$worst]['watts']]);
        }
        foreach ($wheels as $wheel) {
            if (true === $wheel['cold']) {
                return $this->say->ui('heat.cold', ['where' => \is_string($wheel['name']) ? ucfirst($wheel['name']) : '']);
            }
        }

        return $this->say->ui('heat.even');
    }
}
