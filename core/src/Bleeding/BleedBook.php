<?php

declare(strict_types=1);

namespace Rodrel\Core\Bleeding;

use Rodrel\Core\Shape;

/** The figures of bleeding as read from `core/data/bleeding.json`; typical until the vehicle's own are typed. */
final readonly class BleedBook
{
    /**
     * @param array<string, BleedMethod> $methods
     * @param array<string, array{settle_min: float, modulator: bool}> $fluids
     * @param array<string, array<string, float>> $ml what clears a bleeder at no wheel (`points`), what a part fitted
     *     dry swallows (`dry`)
     * @param array<string, float> $exchange times the content of a line
     */
    private function __construct(
        public array $methods,
        public array $fluids,
        public LineVolumes $lines,
        public array $exchange,
        public array $ml,
        public float $reservoirMl,
        public float $reserve,
    ) {
    }

    public static function fromShape(Shape $shape): self
    {
        $methods = $fluids = [];
        foreach ($shape->each('methods') as $id => $method) {
            $methods[$id] = BleedMethod::fromShape($id, $method);
        }
        foreach ($shape->each('fluids') as $id => $fluid) {
            $fluids[$id] = ['settle_min' => $fluid->number('settle_min'), 'modulator' => $fluid->flag('modulator')];
        }
        if ([] === $methods || [] === $fluids) {
            throw $shape->wrong('methods', 'at least one method and one fluid are expected');
        }

        return new self(
            $methods,
            $fluids,
            LineVolumes::fromShape($shape),
            $shape->numberMap('exchange'),
            ['points' => $shape->numberMap('points_ml'), 'dry' => $shape->numberMap('dry_ml')],
            $shape->number('reservoir_ml'),
            $shape->number('reserve'),
        );
    }
}
