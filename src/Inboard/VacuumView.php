<?php

declare(strict_types=1);

namespace App\Inboard;

use App\Job\LoadedJob;
use App\Text\Say;
use App\Text\Units;
use Rodrel\Core\Physics\Effects;
use Rodrel\Core\Physics\Vacuum;
use Rodrel\Core\Quantity\Quantity;
use Rodrel\Core\Quantity\Unit;
use Rodrel\Core\Vehicle\Remote;
use Rodrel\Core\Vocabulary\CheckAt;
use Rodrel\Core\Vocabulary\Place;

/** The vacuum side on one bench: what was read against what a sound booster shows, and what follows for the strokes. */
final readonly class VacuumView
{
    private const CHECKS = [
        'strokes-cold', 'booster-gauge', 'vacuum-fill', 'vacuum-loss', 'strokes', 'start-drop', 'hiss', 'one-way-flow',
        'pump-heard', 'vacuum-hose-look', 'remote-bench',
    ];
    private const MINUTES = 5.0;
    private const DEEPEST_KPA = 100.0;
    /** Up to here the bench of a line booster is drawn (kPa in). */
    private const BENCH_KPA = 4000.0;

    public function __construct(
        private Leading $leading,
        private ReadRows $rows,
        private Say $say,
        private Units $units,
    ) {
    }

    public function of(LoadedJob $loaded): VacuumPage
    {
        $typed = $this->leading->typed($loaded);
        $sound = Vacuum::of($loaded->layout, Effects::none());
        $gauge = $typed['booster-gauge@vehicle'] ?? null;
        $lost = $typed['vacuum-loss@vehicle'] ?? null;
        $remote = $loaded->layout->assist->remote;

        return new VacuumPage(
            rows: $this->rows->of($loaded, self::CHECKS),
            plot: $this->keeps($sound, $gauge, $lost),
            table: $this->table($sound, $gauge, $lost),
            said: $this->saidOfBench($remote, $sound->kpa, $typed) ?? $this->said($loaded, $sound, $gauge, $lost),
            bench: null === $remote ? null : $this->bench($remote, $sound->kpa, $typed),
            benchTable: null === $remote ? null : $this->benchTable($remote, $sound->kpa, $typed),
        );
    }

    /** Vacuum over five minutes without the engine, from the gauge and what it lost in the first of them. */
    private function keeps(Vacuum $sound, ?float $gauge, ?float $lost): Plot
    {
        $plot = new Plot(
            [0.0, self::MINUTES],
            [self::DEEPEST_KPA, 0.0],
            $this->say->ui('vacuum.minutes'),
            $this->units->of(Quantity::Pressure, Unit::Kilopascal)->value,
        );
        $minutes = ['0' => '0', '1' => '1', '2' => '2', '3' => '3', '4' => '4', '5' => '5'];
        $plot->xTicks($minutes)->yTicks(Plot::steps(0.0, self::DEEPEST_KPA), $this->kpa(...));
        $unfelt = [[0.0, 0.0, Vacuum::FELT_KPA], [self::MINUTES, 0.0, Vacuum::FELT_KPA]];
        $plot->band($unfelt, $this->say->ui('vacuum.unfelt'));
        $plot->line($this->curve($sound), 'sound', $this->say->ui('vacuum.sound'));
        $read = self::read($sound, $gauge, $lost);
        if (null !== $read) {
            $plot->line($this->curve($read), 'read', $this->say->ui('vacuum.read'));
            $plot->point(0.0, $read->kpa, '');
            $plot->point(1.0, $read->after(60.0), $this->kpa($read->after(60.0)));
        }

        return $plot;
    }

    /** @return list<array{float, float}> */
    private function curve(Vacuum $vacuum): array
    {
        $points = [];
        for ($minute = 0.0; $minute <= self::MINUTES; $minute += 0.1) {
            $points[] = [$minute, $vacuum->after(60.0 * $minute)];
        }

        return $points;
    }

    private static function read(Vacuum $sound, ?float $gauge, ?float $lost): ?Vacuum
    {
        return null === $lost ? null : Vacuum::read($gauge ?? $sound->kpa, $lost);
    }

    /** @return array{head: list<string>, body: list<array{name: string, cells: list<string>}>} */
    private function table(Vacuum $sound, ?float $gauge, ?float $lost): array
    {
        $cells = fn (Vacuum $one): array => [
            $this->units->say($one->kpa, Quantity::Pressure, Unit::Kilopascal),
            $this->units->say($one->lostInAMinuteKpa(), Quantity::Pressure, Unit::Kilopascal),
            $this->units->say($one->after(300.0), Quantity::Pressure, Unit::Kilopascal),
            (string) (int) floor($one->strokesAfter(300.0)),
        ];
        $body = [['name' => $this->say->ui('vacuum.sound'), 'cells' => $cells($sound)]];
        $read = self::read($sound, $gauge, $lost);
        if (null !== $read) {
            $body[] = ['name' => $this->say->ui('vacuum.read'), 'cells' => $cells($read)];
        }

        return [
            'head' => array_map(
                fn (string $key): string => $this->say->ui('vacuum.head-'.$key),
                ['running', 'lost', 'after', 'strokes'],
            ),
            'body' => $body,
        ];
    }

    private function said(LoadedJob $loaded, Vacuum $sound, ?float $gauge, ?float $lost): string
    {
        if (null !== $gauge && $gauge < 0.8 * $sound->kpa) {
            $percent = (string) (int) round(100.0 * $gauge / $sound->kpa);

            return $this->say->ui('vacuum.said-little', ['percent' => $percent]);
        }
        $read = self::read($sound, $gauge, $lost);
        if (null !== $read) {
            $strokes = (int) floor($read->strokesAfter(300.0));

            return $this->say->ui($strokes < 2 ? 'vacuum.said-loses' : 'vacuum.said-keeps', ['n' => (string) $strokes]);
        }

        return $this->say->ui(null === $gauge ? 'vacuum.said-nothing' : 'vacuum.said-full');
    }

    /**
     * What a line booster adds, of what it should.
     *
     * @param array<string, float> $typed
     */
    private function saidOfBench(?Remote $remote, float $vacuumKpa, array $typed): ?string
    {
        $with = $typed[CheckAt::of('remote-bench', Place::vehicle())->row('with')] ?? null;
        if (null === $remote || null === $with) {
            return null;
        }
        $rated = $remote->outKpa(Remote::BENCH_KPA, $vacuumKpa) - Remote::BENCH_KPA;
        $adds = max(0.0, $with - Remote::BENCH_KPA) / max(1.0, $rated);

        return $this->say->ui('vacuum.said-adds', ['percent' => (string) (int) round(100.0 * $adds)]);
    }

    /** @param array<string, float> $typed */
    private function bench(Remote $remote, float $vacuumKpa, array $typed): Plot
    {
        $most = 1.1 * $remote->outKpa(self::BENCH_KPA, $vacuumKpa);
        $plot = new Plot(
            [0.0, self::BENCH_KPA],
            [$most, 0.0],
            $this->say->ui('vacuum.bench-in', ['unit' => $this->units->of(Quantity::Pressure, Unit::Bar)->value]),
            $this->say->ui('vacuum.bench-out', ['unit' => $this->units->of(Quantity::Pressure, Unit::Bar)->value]),
        );
        $ticks = [];
        foreach (Plot::steps(0.0, self::BENCH_KPA) as $kpa) {
            $ticks[(string) $kpa] = $this->bar($kpa);
        }
        $plot->xTicks($ticks)->yTicks(Plot::steps(0.0, $most), $this->bar(...));
        $with = $without = [];
        for ($in = 0.0; $in <= self::BENCH_KPA; $in += 100.0) {
            $with[] = [$in, $remote->outKpa($in, $vacuumKpa)];
            $without[] = [$in, $in];
        }
        $plot->line($with, 'sound', $this->say->ui('vacuum.bench-rated'));
        $plot->line($without, 'other', $this->say->ui('vacuum.bench-without'));
        foreach (['with', 'without'] as $row) {
            $out = $typed[CheckAt::of('remote-bench', Place::vehicle())->row($row)] ?? null;
            if (null !== $out) {
                $plot->point(Remote::BENCH_KPA, $out, $this->bar($out));
            }
        }

        return $plot;
    }

    /**
     * @param array<string, float> $typed
     *
     * @return array{head: list<string>, body: list<array{name: string, cells: list<string>}>}
     */
    private function benchTable(Remote $remote, float $vacuumKpa, array $typed): array
    {
        $at = CheckAt::of('remote-bench', Place::vehicle());
        $say = fn (?float $kpa): string => null === $kpa
            ? '–'
            : $this->units->say($kpa, Quantity::Pressure, Unit::Bar);
        $with = $typed[$at->row('with')] ?? null;

        return [
            'head' => array_map(
                fn (string $key): string => $this->say->ui('vacuum.bench-'.$key),
                ['read', 'rated', 'ratio'],
            ),
            'body' => [
                [
                    'name' => $this->say->row($at, 'with'),
                    'cells' => [
                        $say($with),
                        $say($remote->outKpa(Remote::BENCH_KPA, $vacuumKpa)),
                        null === $with ? '–' : \sprintf('%.2f', $with / Remote::BENCH_KPA),
                    ],
                ],
                [
                    'name' => $this->say->row($at, 'without'),
                    'cells' => [$say($typed[$at->row('without')] ?? null), $say(Remote::BENCH_KPA), '1.00'],
                ],
            ],
        ];
    }

    private function bar(float $kpa): string
    {
        return $this->units->figure($kpa, Quantity::Pressure, Unit::Bar);
    }

    private function kpa(float $kpa): string
    {
        return $this->units->figure($kpa, Quantity::Pressure, Unit::Kilopascal);
    }
}
