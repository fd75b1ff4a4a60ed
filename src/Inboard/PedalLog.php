<?php

declare(strict_types=1);

namespace App\Inboard;

use App\Job\LoadedJob;
use App\Text\Say;
use App\Text\Units;
use Rodrel\Core\Check\HoldTold;
use Rodrel\Core\Quantity\Quantity;
use Rodrel\Core\Vocabulary\CheckAt;
use Rodrel\Core\Vocabulary\Place;

/** A held pedal over time: what was read, a sound vehicle's band, and what the leading suspects would do. */
final readonly class PedalLog
{
    /** How a hold is made: the check that keeps it, and its rows by the second they are read at. */
    public const HOLDS = [
        'firm' => ['check' => 'hold', 'rows' => ['five' => 5, 'fifteen' => 15, 'thirty' => 30], 'foot' => 150],
        'light' => ['check' => 'hold', 'rows' => ['light' => 60], 'foot' => 30],
        'again' => ['check' => 'hold', 'rows' => ['again' => 15], 'foot' => 150],
        'off' => ['check' => 'hold-off', 'rows' => ['' => 30], 'foot' => 200],
    ];
    private const FIRST_S = 1;
    private const LEAST_MM = 20.0;

    public function __construct(private Leading $leading, private Say $say, private Units $units)
    {
    }

    public function of(LoadedJob $loaded, string $hold): PedalLogPage
    {
        $how = self::HOLDS[$hold];
        $at = CheckAt::of($how['check'], Place::vehicle());
        $rows = [];
        foreach ($how['rows'] as $row => $second) {
            $rows[$at->row((string) $row)] = $second;
        }
        $typed = array_intersect_key($this->leading->typed($loaded), $rows);
        $leading = $this->leading->of($loaded, array_keys($rows));
        $reading = $this->leading->reading($loaded, (string) $at);
        $band = $this->leading->sound($loaded, $at, array_map(strval(...), array_keys($how['rows'])));
        $told = HoldTold::of($this->leading->reading($loaded, 'hold@vehicle')->numbers ?? []);

        return new PedalLogPage(
            hold: $hold,
            check: (string) $at,
            rows: array_map(
                fn (int $second, string $row): array => [
                    'row' => $row,
                    'second' => $second,
                    'label' => '' === $row ? '' : $this->say->row($at, $row),
                    'was' => isset($typed[$at->row($row)]) ? $this->length($typed[$at->row($row)]) : '',
                ],
                array_values($how['rows']),
                array_map(strval(...), array_keys($how['rows'])),
            ),
            foot: $how['foot'],
            engine: 'off' === $hold ? 'off' : 'on',
            unit: $this->units->of(Quantity::Length)->value,
            mmPerUnit: $this->units->of(Quantity::Length)->factor(),
            plot: $this->plot($rows, $typed, $leading, $band),
            table: $this->table($rows, $typed, $leading, $band),
            leading: $leading,
            told: $this->say->ui('pedal.told.'.$told->key),
            perS: null === $told->mmPerS ? null : $this->units->say($told->mmPerS, Quantity::Length),
            made: null !== $reading,
            start: $loaded->layout->hasAssist() ? (string) CheckAt::of('start-drop', Place::vehicle()) : null,
        );
    }

    /**
     * @param non-empty-array<string, int> $rows second by row key
     * @param array<string, float> $typed
     * @param list<array<string, mixed>> $leading
     * @param array<string, array{float, float}> $band of sound vehicles, by row key
     */
    private function plot(array $rows, array $typed, array $leading, array $band): Plot
    {
        $deepest = max(self::LEAST_MM, 1.15 * max([0.0, ...array_values($typed), ...$this->shown($leading)]));
        $plot = new Plot(
            [0.0, (float) max($rows)],
            [0.0, $deepest],
            $this->say->ui('pedal.seconds'),
            $this->say->ui('pedal.deeper', ['unit' => $this->units->of(Quantity::Length)->value]),
        );
        $ticks = ['0' => '0'];
        foreach ($rows as $second) {
            $ticks[(string) $second] = (string) $second;
        }
        $plot->xTicks($ticks)->yTicks(Plot::steps(0.0, $deepest), $this->length(...));
        $points = [[(float) self::FIRST_S, 0.0, 0.0]];
        foreach ($band as $row => [$least, $most]) {
            $points[] = [(float) $rows[$row], $least, $most];
        }
        $plot->band(\count($points) > 1 ? $points : [], $this->say->ui('pedal.sound'));
        foreach ($leading as $n => $one) {
            $points = [[(float) self::FIRST_S, 0.0]];
            foreach ($rows as $row => $second) {
                if (isset($one['shows'][$row])) {
                    $points[] = [(float) $second, $one['shows'][$row]];
                }
            }
            $plot->line(\count($points) > 1 ? $points : [], 0 === $n ? 'lead' : 'other', $one['name']);
        }
        $read = [[(float) self::FIRST_S, 0.0]];
        foreach ($rows as $row => $second) {
            if (isset($typed[$row])) {
                $read[] = [(float) $second, $typed[$row]];
                $plot->point((float) $second, $typed[$row], $this->length($typed[$row]));
            }
        }

        return $plot->line(\count($read) > 1 ? $read : [], 'read', '');
    }

    /**
     * The same as the plot, for readers and print.
     *
     * @param array<string, int> $rows
     * @param array<string, float> $typed
     * @param list<array<string, mixed>> $leading
     * @param array<string, array{float, float}> $band
     *
     * @return array{head: list<string>, body: list<array{name: string, cells: list<string>}>}
     */
    private function table(array $rows, array $typed, array $leading, array $band): array
    {
        $say = fn (?float $mm): string => null === $mm ? '–' : $this->units->say($mm, Quantity::Length);
        $most = static fn (string $row): string => $say($band[$row][1] ?? null);
        $body = [
            [
                'name' => $this->say->ui('pedal.read'),
                'cells' => array_map(static fn (string $row): string => $say($typed[$row] ?? null), array_keys($rows)),
            ],
            ['name' => $this->say->ui('pedal.sound-most'), 'cells' => array_map($most, array_keys($rows))],
        ];
        foreach ($leading as $one) {
            $body[] = [
                'name' => $one['name'],
                'cells' => array_map(
                    static fn (string $row): string => $say($one['shows'][$row] ?? null),
                    array_keys($rows),
                ),
            ];
        }

        return [
            'head' => array_map(
                fn (int $second): string => $this->say->ui('pedal.at', ['n' => (string) $second]),
                array_values($rows),
            ),
            'body' => $body,
        ];
    }

    /**
     * @param list<array<string, mixed>> $leading
     *
     * @return list<float>
     */
    private function shown(array $leading): array
    {
        return array_merge([], ...array_map(static fn (array $one): array => array_values($one['shows']), $leading));
    }

    private function length(float $mm): string
    {
        return $this->units->figure($mm, Quantity::Length);
    }
}
