<?php

declare(strict_types=1);

namespace Rodrel\Core\Vehicle;

use Rodrel\Core\InvalidData;
use Rodrel\Core\Shape;
use Rodrel\Core\Vocabulary\Corner;
use Rodrel\Core\Vocabulary\Place;

/** A vehicle's brakes as far as the model needs them: pedal, booster, master, circuits and corners. */
final readonly class Layout
{
    /** Bore of the master cylinder. */
    public float $masterBoreMm;
    /** @var non-empty-list<Chamber> */
    public array $chambers;

    /** @var array<string, Chamber> by corner */
    private array $feeds;

    /** @param array<string, WheelBrake> $brakes by corner id, in the order lf rf lr rr */
    private function __construct(
        public string $id,
        public Pedal $pedal,
        public Assist $assist,
        public Body $body,
        Shape $master,
        public array $brakes,
        public Pipework $pipework,
    ) {
        $this->masterBoreMm = $master->positive('bore_mm');
        $this->chambers = self::chambers($master);
        $feeds = [];
        foreach ($this->chambers as $chamber) {
            foreach ($chamber->wheels as $corner) {
                $feeds[$corner->value] ??= $chamber;
            }
        }
        $this->feeds = $feeds;
    }

    /**
     * @param array<array-key, mixed> $data a preset as in `core/data/presets.json`
     *
     * @throws InvalidData with the JSON pointer of the first wrong value
     */
    public static function fromArray(array $data, string $path = ''): self
    {
        return self::fromShape(new Shape($data, $path));
    }

    public static function fromShape(Shape $shape): self
    {
        $brakes = [];
        foreach (Corner::cases() as $corner) {
            $brakes[$corner->value] = WheelBrake::fromShape(
                $shape->in('corners')->in($corner->value),
                $corner->isFront(),
            );
        }

        return new self(
            $shape->text('id'),
            Pedal::fromShape($shape->in('pedal')),
            Assist::fromShape($shape->in('booster')),
            Body::fromShape($shape),
            $shape->in('master'),
            $brakes,
            Pipework::fromShape($shape),
        );
    }

    /** Whether a booster helps the foot. */
    public function hasAssist(): bool
    {
        return $this->assist->helps();
    }

    public function reach(): Reach
    {
        return $this->body->reach;
    }

    public function masterAreaCm2(): float
    {
        return (\M_PI * $this->masterBoreMm ** 2) / 400.0;
    }

    public function brake(Corner $corner): WheelBrake
    {
        return $this->brakes[$corner->value];
    }

    public function chamberOf(Corner $corner): Chamber
    {
        return $this->feeds[$corner->value] ?? throw new \LogicException('A checked layout feeds every corner.');
    }

    /** What is wrong at one place can show at the other: one covers the other, or a chamber feeds the wheel. */
    public function reaches(Place $one, Place $other): bool
    {
        foreach ($this->chambers as $chamber) {
            foreach ([[$one, $other], [$other, $one]] as [$circuit, $wheel]) {
                if ($circuit->is($chamber->id) && \in_array($wheel->corner(), $chamber->wheels, true)) {
                    return true;
                }
            }
        }

        return $one->meets($other);
    }

    /**
     * The place of the flexible hose that feeds a corner: the corner itself, or its axle where one hose serves both.
     */
    public function hoseOf(Corner $corner): Place
    {
        return !$corner->isFront() && $this->sharesRearHose() ? Place::axleOf($corner) : Place::at($corner);
    }

    /** @return list<Place> the places where a hose sits */
    public function hoses(): array
    {
        $hoses = [];
        foreach (Corner::cases() as $corner) {
            $place = $this->hoseOf($corner);
            $hoses[$place->id] = $place;
        }

        return array_values($hoses);
    }

    /** Both rear wheels hang on one hose: a solid axle whose wheels share a circuit. */
    private function sharesRearHose(): bool
    {
        return $this->pipework->rearSolidAxle
            && $this->chamberOf(Corner::LeftRear) === $this->chamberOf(Corner::RightRear);
    }

    /** @return non-empty-list<Chamber> */
    private static function chambers(Shape $master): array
    {
        $chambers = [];
        $fed = [];
        foreach ($master->each('chambers') as $chamber) {
            $wheels = [];
            foreach ($chamber->texts('wheels') as $id) {
                $wheels[]
                    = Corner::tryFrom($id) ?? $chamber->miss('wheels', 'corners are lf, rf, lr, rr', Corner::LeftFront);
                $fed[] = $id;
            }
            if ([] === $wheels) {
                $wheels = [$chamber->miss('wheels', 'a chamber must feed at least one wheel', Corner::LeftFront)];
            }
            $chambers[] = new Chamber($chamber->text('id'), $chamber->positive('stroke_ml'), $wheels);
        }
        sort($fed);
        if (['lf', 'lr', 'rf', 'rr'] !== $fed || [] === $chambers) {
            $master->miss('chambers', 'every wheel must be fed by exactly one chamber');
        }

        return [] !== $chambers ? $chambers : [new Chamber('primary', 1.0, Corner::cases())];
    }
}
