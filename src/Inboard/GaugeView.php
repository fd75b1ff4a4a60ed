<?php

declare(strict_types=1);

namespace App\Inboard;

use App\Job\LoadedJob;
use App\Text\Letters;
use App\Text\Say;
use App\Text\Units;
use Rodrel\Core\Quantity\Quantity;
use Rodrel\Core\Quantity\Unit;
use Rodrel\Core\Vocabulary\CheckAt;
use Rodrel\Core\Vocabulary\Corner;
use Rodrel\Core\Vocabulary\Place;

/** Pressures at the bleeders, pressed and after letting go, with what a sound vehicle shows. */
final readonly class GaugeView
{
    private const ROWS = ['held' => '0', 'after-1' => '1', 'after-5' => '5', 'after-30' => '30'];
    private const LEAST_KPA = 2000.0;
    /** Left and right of one axle agree within this (share; estimate; handbook: 10 to 15 %). */
    private const APART = 0.12;

    public function __construct(private Leading $leading, private Say $say, private Units $units)
    {
    }

    public function of(LoadedJob $loaded): GaugePage
    {
        $read = $sound = [];
        $known = $loaded->state->sound();
        $typed = $this->leading->typed($loaded);
        foreach (Corner::cases() as $corner) {
            $at = CheckAt::of('gauge', Place::at($corner));
            foreach (array_keys(self::ROWS) as $row) {
                if (isset($typed[$at->row($row)])) {
                    $read[$corner->value][$row] = $typed[$at->row($row)];
                }
                $sound[$corner->value][$row] = null === $known ? 0.0 : $known->median($at, $row);
            }
        }

        return new GaugePage(
            plot: $this->plot($read, $sound),
            table: $this->table($read, $sound),
            said: $this->said($read, $sound),
            wheels: array_map(
                fn (Corner $corner): array => [
                    'check' => (string) CheckAt::of('gauge', Place::at($corner)),
                    'name' => Letters::up($this->say->place($corner->value)),
                    'made' => isset($read[$corner->value]),
                ],
                Corner::cases(),
            ),
            unit: $this->units->of(Quantity::Pressure, Unit::Bar)->value,
        );
    }

    /**
     * @param array<string, array<string, float>> $read kPa by corner and row
     * @param array<string, array<string, float>> $sound
     */
    private function plot(array $read, array $sound): Plot
    {
        $all = array_merge([self::LEAST_KPA], ...array_map(array_values(...), array_values($read + $sound)));
        $most = 1.08 * max($all);
        $plot = new Plot(
            [0.0, 3.0],
            [$most, 0.0],
            $this->say->ui('gauge.seconds'),
            $this->units->of(Quantity::Pressure, Unit::Bar)->value,
        );
        $n = 0.0;
        foreach (self::ROWS as $row => $second) {
            $plot->xTicks([(string) $n => 'held' === $row ? $this->say->ui('gauge.pressed') : '+ '.$second.' s']);
            ++$n;
        }
        $plot->yTicks(Plot::steps(0.0, $most), $this->bar(...));
        foreach (['lf' => 'gauge.sound-front', 'lr' => 'gauge.sound-rear'] as $corner => $name) {
            $plot->line($this->points($sound[$corner]), 'sound', $this->say->ui($name));
        }
        foreach ($read as $corner => $rows) {
            $points = $this->points($rows);
            $plot->line($points, 'read', $this->say->place($corner));
            foreach ($points as [$x, $kpa]) {
                $plot->point($x, $kpa, '');
            }
        }

        return $plot->apart();
    }

    /**
     * @param array<string, float> $rows
     *
     * @return list<array{float, float}>
     */
    private function points(array $rows): array
    {
        $points = [];
        foreach (array_keys(self::ROWS) as $n => $row) {
            if (isset($rows[$row])) {
                $points[] = [(float) $n, $rows[$row]];
            }
        }

        return $points;
    }

    /**
     * @param array<string, array<string, float>> $read
     * @param array<string, array<string, float>> $sound
     *
     * @return array{head: list<string>, body: list<array{name: string, cells: list<string>}>}
     */
    private function table(array $read, array $sound): array
    {
        $body = [];
        $named = array_map(fn (string $corner): string => Letters::up($this->say->place($corner)), array_combine(
            array_keys($read),
            array_keys($read),
        ));
        foreach ($named as $corner => $name) {
            $body[] = ['name' => $name, 'cells' => $this->cells($read[$corner])];
        }
        $body[] = ['name' => $this->say->ui('gauge.sound-front'), 'cells' => $this->cells($sound['lf'])];
        $body[] = ['name' => $this->say->ui('gauge.sound-rear'), 'cells' => $this->cells($sound['lr'])];

        return [
            'head' => array_map(
                fn (string $row, string $s): string => 'held' === $row ? $this->say->ui('gauge.pressed') : $s.' s',
                array_keys(self::ROWS),
                array_map(strval(...), array_values(self::ROWS)),
            ),
            'body' => $body,
        ];
    }

    /**
     * @param array<string, float> $rows
     *
     * @return list<string>
     */
    private function cells(array $rows): array
    {
        return array_map(
            fn (string $row): string => isset($rows[$row])
                ? $this->units->say($rows[$row], Quantity::Pressure, Unit::Bar)
                : '–',
            array_keys(self::ROWS),
        );
    }

    /**
     * @param array<string, array<string, float>> $read
     * @param array<string, array<string, float>> $sound
     */
    private function said(array $read, array $sound): string
    {
        foreach ([['lf', 'rf'], ['lr', 'rr']] as [$left, $right]) {
            $a = $read[$left]['held'] ?? null;
            $b = $read[$right]['held'] ?? null;
            if (null !== $a && null !== $b && abs($a - $b) > self::APART * max($a, $b, 1.0)) {
                return $this->say->ui('gauge.apart', [
                    'lower' => $this->say->place($a < $b ? $left : $right),
                    'percent' => (string) round(100.0 * abs($a - $b) / max($a, $b)),
                ]);
            }
        }

        $front = $read['lf']['held'] ?? $read['rf']['held'] ?? null;
        $rear = $read['lr']['held'] ?? $read['rr']['held'] ?? null;
        if (null !== $front && null !== $rear && $sound['lf']['held'] > 0.0) {
            $right = $sound['lr']['held'] / $sound['lf']['held'];
            $off = $rear / max(1.0, $front) / max(1e-9, $right);
            if (abs($off - 1.0) > self::APART) {
                return $this->say->ui($off < 1.0 ? 'gauge.rear-low' : 'gauge.rear-high', [
                    'percent' => (string) round(100.0 * $rear / max(1.0, $front)),
                    'right' => (string) round(100.0 * $right),
                ]);
            }
        }

        return $this->say->ui([] === $read ? 'gauge.none' : (\count($read) > 1 ? 'gauge.alike' : 'gauge.one'));
    }

    private function bar(float $kpa): string
    {
        return $this->units->figure($kpa, Quantity::Pressure, Unit::Bar);
    }
}
