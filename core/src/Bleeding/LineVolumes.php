<?php

declare(strict_types=1);

namespace Rodrel\Core\Bleeding;

use Rodrel\Core\Shape;

/** What lies in pipes and hoses: mL per metre of each, and how long a hose is. */
final readonly class LineVolumes
{
    private function __construct(public float $pipeMlPerM, public float $hoseM, public float $hoseMlPerM)
    {
    }

    public static function fromShape(Shape $shape): self
    {
        return new self(
            $shape->number('pipe_ml_per_m'),
            $shape->number('hose_m'),
            $shape->number('hose_ml_per_m'),
        );
    }
}
