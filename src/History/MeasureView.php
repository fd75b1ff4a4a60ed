<?php

declare(strict_types=1);

namespace App\History;

use App\Job\LoadedJob;
use App\Text\Letters;
use App\Text\Say;
use App\Text\Units;
use Rodrel\Core\Job\Measurement;
use Rodrel\Core\Job\Measurements;
use Rodrel\Core\Quantity\Quantity;
use Rodrel\Core\Vehicle\LiningLeft;
use Rodrel\Core\Vehicle\Measuring;
use Rodrel\Core\Vehicle\PadWear;
use Rodrel\Core\Vehicle\RotorRound;
use Rodrel\Core\Vocabulary\CheckAt;
use Rodrel\Core\Vocabulary\Corner;
use Rodrel\Core\Vocabulary\Place;

/** What was measured at the wheels of a vehicle, in this job and before: figures, what is left, and in words. */
final readonly class MeasureView
{
    private const SAID_AT_KMH = 80.0;
    /** The clock's middle radius in its view box, and how far a full swing reaches. */
    private const RADIUS = 86.0;
    private const REACH = 44.0;
    /** At least so much fills the reach, so that a gauge's last digit does not look like a mountain (mm). */
    private const LEAST_SWING_MM = 0.04;

    public function __construct(private VehicleHistory $history, private Say $say, private Units $units)
    {
    }

    public function of(LoadedJob $loaded): MeasurePage
    {
        $measured = $this->history->measurements($loaded->job->vehicleId());
        $rate = RotorRound::turnsPerSecond(self::SAID_AT_KMH, $loaded->layout->body->tyreRadiusM);

        return new MeasurePage(
            corners: array_map(
                fn (Corner $corner): array => $this->corner($loaded, $measured, $corner),
                Corner::cases(),
            ),
            said: $this->said($loaded, $measured),
            clock: $this->clock($measured),
            rate: $this->say->ui('wheel-sheet.rate', [
                'kmh' => (string) (int) self::SAID_AT_KMH,
                'turns' => number_format($rate, 1),
            ]),
            unit: $this->units->of(Quantity::Length)->value,
        );
    }

    /** @return array<string, mixed> */
    private function corner(LoadedJob $loaded, Measurements $measured, Corner $corner): array
    {
        $disc = $loaded->layout->brake($corner)->disc;
        $lining = $measured->latest($disc ? Measuring::PadWear : Measuring::Shoe, $corner);
        $sheets = $disc
            ? ['wear' => Measuring::PadWear, 'limits' => Measuring::Limit, 'rotor-round' => Measuring::Round]
            : ['shoes-left' => Measuring::Shoe, 'limits' => Measuring::Limit, 'drum-round' => Measuring::Across];
        $checks = [];
        foreach ($sheets as $check => $sheet) {
            $checks[] = [
                'check' => (string) CheckAt::of($check, Place::at($corner)),
                'name' => $this->say->ui('wheel-sheet.'.$check),
                'made' => null !== $measured->latest($sheet, $corner),
            ];
        }

        return [
            'id' => $corner->value,
            'name' => Letters::up($this->say->place($corner->value)),
            'disc' => $disc,
            'lining' => null === $lining ? null : $this->mm($lining->deciding()),
            'left' => $this->left($measured->lining($corner, $disc)),
            'limit' => $this->limit($measured->latest(Measuring::Limit, $corner), !$disc),
            'varies' => $this->round($measured->latest(Measuring::Round, $corner)),
            'pads' => null === $lining ? [] : array_map($this->mm(...), $lining->mm),
            'checks' => $checks,
        ];
    }

    private function left(?LiningLeft $left): ?string
    {
        return match (true) {
            null === $left => null,
            $left->leftMm <= 0.0 => $this->say->ui('wheel-sheet.none-left'),
            null === $left->km => $this->say->ui('wheel-sheet.left', ['mm' => $this->mm($left->leftMm)]),
            default => $this->say->ui('wheel-sheet.left-km', [
                'mm' => $this->mm($left->leftMm),
                'km' => Distance::roundly($left->km),
            ]),
        };
    }

    private function limit(?Measurement $latest, bool $drum): ?string
    {
        if (!isset($latest->mm['measured'], $latest->mm['limit'])) {
            return null;
        }
        $left = Measuring::limit($latest->mm, $drum)->leftMm;

        return $this->say->ui($left < 0.0 ? 'wheel-sheet.past' : 'wheel-sheet.within', [
            'mm' => $this->mm($latest->mm['measured']),
            'left' => $this->mm(abs($left)),
        ]);
    }

    private function round(?Measurement $latest): ?string
    {
        $round = null === $latest ? null : self::rotor($latest);

        return null === $round ? null : $this->say->ui(
            null === $round->runsOutMm ? 'wheel-sheet.varies' : 'wheel-sheet.varies-and-runs',
            ['varies' => $this->fine($round->variesMm), 'runs' => $this->fine($round->runsOutMm ?? 0.0)],
        );
    }

    /** @return list<string> */
    private function said(LoadedJob $loaded, Measurements $measured): array
    {
        $said = [];
        foreach ([[Corner::LeftFront, Corner::RightFront], [Corner::LeftRear, Corner::RightRear]] as [$left, $right]) {
            $disc = $loaded->layout->brake($left)->disc;
            $thin = $measured->thinner($left, $right, $disc);
            if (null !== $thin) {
                $said[] = $this->say->ui($disc ? 'wheel-sheet.side-pads' : 'wheel-sheet.side-shoes', [
                    'place' => $this->say->place($thin->value),
                ]);
            }
        }
        foreach (Corner::cases() as $corner) {
            $pads = $measured->latest(Measuring::PadWear, $corner);
            $word = null === $pads || 4 !== \count($pads->mm) ? 'even' : PadWear::of(
                $pads->mm['inner_a'],
                $pads->mm['inner_b'],
                $pads->mm['outer_a'],
                $pads->mm['outer_b'],
            )->word;
            $round = $measured->latest(Measuring::Round, $corner);
            $turned = null === $round ? null : self::rotor($round)?->turned;
            foreach (['even' === $word ? null : 'pad-'.$word, $turned] as $key) {
                if (null !== $key) {
                    $said[] = $this->say->ui('wheel-sheet.'.$key, ['place' => $this->say->place($corner->value)]);
                }
            }
        }

        return $said;
    }

    private static function rotor(Measurement $latest): ?RotorRound
    {
        $row = static fn (string $letter): array => array_values(array_filter(
            $latest->mm,
            static fn (string $field): bool => str_starts_with($field, $letter),
            \ARRAY_FILTER_USE_KEY,
        ));
        $whole = static fn (string $letter): array => RotorRound::PLACES === \count($row($letter)) ? $row($letter) : [];
        $thickness = $whole('t');

        return [] === $thickness ? null : RotorRound::of($thickness, $whole('f'), $whole('u'));
    }

    /** @return array<string, mixed>|null the rotor measured last: where each place stands in the view box */
    private function clock(Measurements $measured): ?array
    {
        $rounds = array_values(array_filter(
            $measured->all,
            static fn (Measurement $one): bool => Measuring::Round === $one->sheet,
        ));
        $latest = $rounds[\count($rounds) - 1] ?? null;
        if (null === $latest || null === self::rotor($latest)) {
            return null;
        }
        $lines = $places = [];
        foreach (['t' => 'thickness', 'f' => 'face', 'u' => 'again'] as $letter => $kind) {
            $values = [];
            for ($n = 1; $n <= RotorRound::PLACES; ++$n) {
                $values[] = $latest->mm[$letter.$n] ?? null;
            }
            if (!\in_array(null, $values, true)) {
                $lines[] = ['kind' => $kind, 'path' => self::path($values)];
            }
        }
        for ($n = 1; $n <= RotorRound::PLACES; ++$n) {
            [$x, $y] = self::at($n, self::RADIUS + self::REACH + 14.0);
            $places[] = [
                'n' => $n,
                'x' => $x,
                'y' => $y,
                'cells' => array_map(
                    fn (string $letter): string => isset($latest->mm[$letter.$n])
                        ? $this->fine($latest->mm[$letter.$n])
                        : '–',
                    ['t', 'f', 'u'],
                ),
            ];
        }

        return [
            'where' => Letters::up($this->say->place($latest->corner->value)),
            'at' => $latest->at,
            'radius' => self::RADIUS,
            'lines' => $lines,
            'places' => $places,
        ];
    }

    /** @param non-empty-list<float> $values */
    private static function path(array $values): string
    {
        $middle = array_sum($values) / \count($values);
        $scale = self::REACH / max(self::LEAST_SWING_MM, max($values) - min($values));
        $points = [];
        foreach ($values as $i => $value) {
            $points[] = implode(' ', self::at($i + 1, self::RADIUS + $scale * ($value - $middle)));
        }

        return 'M'.implode('L', $points).'Z';
    }

    /** @return array{float, float} of a place on the clock, the first on top */
    private static function at(int $place, float $radius): array
    {
        $turn = 2.0 * \M_PI * ($place - 1) / RotorRound::PLACES;

        return [round(160.0 + $radius * sin($turn), 1), round(160.0 - $radius * cos($turn), 1)];
    }

    private function mm(float $mm): string
    {
        return $this->units->say(round($mm, 1), Quantity::Length);
    }

    /** Hundredths count here. */
    private function fine(float $mm): string
    {
        return number_format($mm, 2).' mm';
    }
}
