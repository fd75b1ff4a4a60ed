<?php

declare(strict_types=1);

namespace Rodrel\Core\Vehicle;

use Rodrel\Core\InvalidData;
use Rodrel\Core\Shape;

/** A vehicle's brakes as far as the model needs them: pedal, booster, master, circuits and corners. */
final readonly class Layout
{
    /**
     * @param non-empty-list<Chamber>                             $chambers
     * @param array<string, WheelBrake>                           $brakes       by corner id, in the order lf rf lr rr
     * @param array<string, float>                                $pipeLengthsM master to wheel, by corner id
     * @param array<string, array{knee_kpa: float, slope: float}> $valves       rear pressure valve by corner id
     */
    private function __construct(
        public string $id,
        public float $pedalRatio,
        public float $pedalFreeMm,
        public float $boosterGain,
        public float $boosterCutInN,
        public float $boosterJumpOutN,
        public float $boosterAreaCm2,
        public float $vacuumKpa,
        public float $masterBoreMm,
        public array $chambers,
        public array $brakes,
        public bool $modulator,
        public bool $rearSolidAxle,
        public array $valves,
        public float $tyreRadiusM,
        public array $pipeLengthsM,
        public float $massKg,
        public float $frontShare,
        public float $heightToWheelbase,
        public ?float $reservoirMl,
    ) {
    }

    /**
     * @param array<array-key, mixed> $data a preset as in `core/data/presets.json`
     *
     * @throws InvalidData with the JSON pointer of the first wrong value
     */
    public static function fromArray(array $data, string $path = ''): self
    {
        $shape = new Shape($data, $path);
        $brakes = [];
        foreach (Corner::cases() as $corner) {
            $brakes[$corner->value] = WheelBrake::fromShape($shape->in('corners')->in($corner->value));
        }
        $valves = [];
        foreach ($shape->each('rear_valves') as $corner => $valve) {
            $valves[$corner] = ['knee_kpa' => $valve->number('knee_kpa'), 'slope' => $valve->number('slope')];
        }
        $pedal = $shape->in('pedal');
        $booster = $shape->in('booster');
        if ($shape->in('master')->number('bore_mm') <= 0.0) {
            throw $shape->in('master')->wrong('bore_mm', 'a number above zero is expected');
        }

        return new self(
            $shape->text('id'),
            $pedal->number('ratio'),
            $pedal->number('free_mm'),
            $booster->number('gain', 1.0),
            $booster->number('cut_in_n', 0.0),
            $booster->number('jump_out_n', 0.0),
            $booster->number('area_cm2', 0.0),
            $booster->number('vacuum_kpa', 0.0),
            $shape->in('master')->number('bore_mm'),
            self::chambers($shape->in('master')),
            $brakes,
            $shape->flag('modulator'),
            $shape->flag('rear_solid_axle'),
            $valves,
            $shape->number('tyre_radius_m'),
            $shape->numberMap('pipe_m'),
            $shape->number('mass_kg', 1350.0),
            $shape->number('front_share', 0.60),
            $shape->number('height_to_wheelbase', 0.21),
            $shape->has('reservoir_ml') ? $shape->number('reservoir_ml') : null,
        );
    }

    /** Whether a booster helps the foot. */
    public function hasAssist(): bool
    {
        return $this->boosterGain > 1.0 && $this->boosterAreaCm2 > 0.0;
    }

    public function masterAreaCm2(): float
    {
        return \M_PI * $this->masterBoreMm ** 2 / 400.0;
    }

    public function brake(Corner $corner): WheelBrake
    {
        return $this->brakes[$corner->value];
    }

    public function chamberOf(Corner $corner): Chamber
    {
        foreach ($this->chambers as $chamber) {
            if (\in_array($corner, $chamber->wheels, true)) {
                return $chamber;
            }
        }
        throw new \LogicException('A checked layout feeds every corner.');
    }

    /** Both rear wheels hang on one hose: a solid axle whose wheels share a circuit. */
    public function sharesRearHose(): bool
    {
        return $this->rearSolidAxle && $this->chamberOf(Corner::LeftRear) === $this->chamberOf(Corner::RightRear);
    }

    /** The place of the flexible hose that feeds a corner: the corner itself, or `rear` for a shared axle hose. */
    public function hoseOf(Corner $corner): string
    {
        return !$corner->isFront() && $this->sharesRearHose() ? 'rear' : $corner->value;
    }

    /** @return list<string> the places where a hose sits */
    public function hoses(): array
    {
        return array_values(array_unique(array_map($this->hoseOf(...), Corner::cases())));
    }

    /** @return non-empty-list<Chamber> */
    private static function chambers(Shape $master): array
    {
        $chambers = [];
        $fed = [];
        foreach ($master->each('chambers') as $i => $chamber) {
            $wheels = [];
            foreach ($chamber->texts('wheels') as $id) {
                $wheels[] = Corner::tryFrom($id) ?? throw $chamber->wrong('wheels', 'corners are lf, rf, lr, rr');
                $fed[] = $id;
            }
            if ([] === $wheels) {
                throw $chamber->wrong('wheels', 'a chamber must feed at least one wheel');
            }
            $chambers[(int) $i] = new Chamber($chamber->text('id'), $chamber->number('stroke_ml'), $wheels);
        }
        sort($fed);
        if (['lf', 'lr', 'rf', 'rr'] !== $fed || [] === $chambers) {
            throw $master->wrong('chambers', 'every wheel must be fed by exactly one chamber');
        }

        return array_values($chambers);
    }
}
