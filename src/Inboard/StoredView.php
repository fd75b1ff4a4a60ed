<?php

declare(strict_types=1);

namespace App\Inboard;

use App\Job\LoadedJob;
use App\Text\Say;
use App\Text\Units;
use Rodrel\Core\InvalidData;
use Rodrel\Core\Log\Payload\ReadingPayload;
use Rodrel\Core\Physics\Accumulator;
use Rodrel\Core\Quantity\InvalidMeasure;
use Rodrel\Core\Quantity\Measured;
use Rodrel\Core\Quantity\Quantity;
use Rodrel\Core\Quantity\Unit;
use Rodrel\Core\Vehicle\Measuring;

/** Stored pressure on one bench: presses counted against what gas and fluid allow, and the gas that they speak for. */
final readonly class StoredView
{
    private const CHECKS = [
        'lamp-seconds', 'applications', 'unit-runs', 'stored-gauge', 'gas-gauge', 'axle-oil', 'machine-hold',
        'discharge',
    ];
    /** Less than this share of the pre-charge is lost gas (estimate; plausible 0.7 to 0.9; cold takes a tenth). */
    private const CHARGED_FROM = 0.8;
    private const COUNTED = 'applications@vehicle';
    /** Counted beyond the sound accumulator's end, the plot goes on by so many. */
    private const MORE = 2.0;

    public function __construct(private ReadRows $rows, private Say $say, private Units $units)
    {
    }

    public function of(LoadedJob $loaded): StoredPage
    {
        $typed = $this->typed($loaded);
        [$sound, $typical] = $this->accumulator($loaded, $typed);
        $counted = $typed['counted'] ?? null;
        $gas = null === $counted ? null : $sound->gasFor($counted);
        $read = null === $gas ? null : $sound->charged($gas);

        return new StoredPage(
            rows: $this->rows->of($loaded, self::CHECKS),
            plot: $this->plot($sound, $read, $counted),
            table: $this->table($sound, $read),
            said: $this->said($sound, $counted, $gas),
            typical: array_map(
                fn (string $figure): string => $this->say->ui('check.figure-'.$figure),
                $typical,
            ),
        );
    }

    /** @return array<string, float> figures behind the newest count, in core units */
    private function typed(LoadedJob $loaded): array
    {
        $typed = [];
        foreach ($loaded->state->story->entriesOf(ReadingPayload::class) as $entry) {
            if (self::COUNTED !== (string) $entry->payload->check) {
                continue;
            }
            foreach ($entry->payload->measured as $field => $text) {
                $measures = Measuring::Stored->measures((string) $field);
                try {
                    $typed[$field] = null === $measures
                        ? (float) $text
                        : Measured::parse($measures[0], $text, $measures[1])->core;
                } catch (InvalidMeasure) {
                    continue; // of a foreign file: shown in its log as it came
                }
            }
        }

        return $typed;
    }

    /**
     * @param array<string, float> $typed
     *
     * @return array{Accumulator, list<string>} and the figures that are typical
     */
    private function accumulator(LoadedJob $loaded, array $typed): array
    {
        $like = Accumulator::typical($loaded->layout->reach());
        $typical = array_values(array_diff(['gas', 'volume', 'full', 'lamp', 'each'], array_keys($typed)));
        try {
            return [new Accumulator(
                $typed['gas'] ?? $like->gasKpa,
                $typed['volume'] ?? $like->volumeMl,
                $typed['full'] ?? $like->fullKpa,
                $typed['lamp'] ?? $like->lampKpa,
                $typed['each'] ?? $like->eachMl,
            ), $typical];
        } catch (InvalidData) {
            return [$like, ['gas', 'volume', 'full', 'lamp', 'each']];
        }
    }

    private function plot(Accumulator $sound, ?Accumulator $read, ?float $counted): Plot
    {
        $most = ceil(max($sound->presses(), $counted ?? 0.0)) + self::MORE;
        $plot = new Plot(
            [0.0, $most],
            [1.05 * $sound->fullKpa, 0.0],
            $this->say->ui('stored.presses'),
            $this->units->of(Quantity::Pressure, Unit::Bar)->value,
        );
        $ticks = [];
        foreach (Plot::steps(0.0, $most) as $press) {
            $ticks[(string) $press] = (string) $press;
        }
        $plot->xTicks($ticks)->yTicks(Plot::steps(0.0, $sound->fullKpa), $this->bar(...));
        $plot->band([[0.0, 0.0, $sound->lampKpa], [$most, 0.0, $sound->lampKpa]], $this->say->ui('stored.lamp-lit'));
        $plot->line(self::curve($sound, $most), 'sound', $this->say->ui('stored.sound'));
        if (null !== $read && null !== $counted) {
            $plot->line(self::curve($read, $most), 'read', $this->say->ui('stored.read'));
            $plot->point($counted, $sound->lampKpa, (string) (int) $counted);
        }

        return $plot->apart();
    }

    /** @return list<array{float, float}> */
    private static function curve(Accumulator $one, float $most): array
    {
        $points = [];
        for ($press = 0.0; $press <= $most; $press += 0.25) {
            $points[] = [$press, $one->after($press)];
        }

        return $points;
    }

    /** @return array{head: list<string>, body: list<array{name: string, cells: list<string>}>} */
    private function table(Accumulator $sound, ?Accumulator $read): array
    {
        $cells = fn (Accumulator $one): array => [
            $this->units->say($one->gasKpa, Quantity::Pressure, Unit::Bar),
            $this->units->say($one->holdsMl(), Quantity::Volume, Unit::Millilitre),
            number_format($one->presses(), 1),
        ];
        $body = [['name' => $this->say->ui('stored.sound'), 'cells' => $cells($sound)]];
        if (null !== $read) {
            $body[] = ['name' => $this->say->ui('stored.read'), 'cells' => $cells($read)];
        }

        return [
            'head' => array_map(
                fn (string $key): string => $this->say->ui('stored.head-'.$key),
                ['gas', 'holds', 'presses'],
            ),
            'body' => $body,
        ];
    }

    private function said(Accumulator $sound, ?float $counted, ?float $gas): string
    {
        if (null === $counted) {
            return $this->say->ui('stored.said-nothing', ['n' => (string) (int) floor($sound->presses())]);
        }
        if (null === $gas) {
            return $this->say->ui('stored.said-more', ['n' => (string) (int) $counted]);
        }

        return $this->say->ui($gas < self::CHARGED_FROM * $sound->gasKpa ? 'stored.said-lost' : 'stored.said-holds', [
            'n' => (string) (int) $counted,
            'gas' => $this->units->say($gas, Quantity::Pressure, Unit::Bar),
            'of' => $this->units->say($sound->gasKpa, Quantity::Pressure, Unit::Bar),
        ]);
    }

    private function bar(float $kpa): string
    {
        return $this->units->figure($kpa, Quantity::Pressure, Unit::Bar);
    }
}
