<?php

declare(strict_types=1);

namespace App\Prediction;

use Random\Engine\Mt19937;
use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\InvalidData;
use Rodrel\Core\Isolation\Field;
use Rodrel\Core\Rig\HiddenVehicle;
use Rodrel\Core\Vehicle\Layout;

/** Vehicles with a fault that only they know: the demo is played on them, and simulated instruments measure them. */
final readonly class HiddenVehicles
{
    private const SEED = 20261;

    public function __construct(private Catalogue $catalogue, private Predictions $predictions)
    {
    }

    /**
     * @param string $suspect fault at place, `hose.one-way@lf`
     * @param int $grade which point of the severity grid, 0 the first
     *
     * @throws InvalidData when there is no such vehicle, or it has no such fault
     */
    public function of(string $preset, string $suspect, int $grade, bool $wavering = false): HiddenVehicle
    {
        $document = $this->catalogue->vehicle($preset);
        [$signature] = $this->predictions->compute($document);
        $field = Field::of($this->catalogue->knowledge(), Layout::fromArray($document), $signature);
        $engine = new Mt19937(self::SEED + crc32($suspect));

        return HiddenVehicle::with($field, $suspect, $grade, $engine, $wavering);
    }
}
