<?php

declare(strict_types=1);

namespace App\Prediction;

use Random\Engine\Mt19937;
use Random\Randomizer;
use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Fault\Particle;
use Rodrel\Core\InvalidData;
use Rodrel\Core\Isolation\Field;
use Rodrel\Core\Rig\HiddenVehicle;
use Rodrel\Core\Vehicle\Layout;
use Rodrel\Core\Vocabulary\SuspectAt;

/** Vehicles with a fault that only they know: the demo is played on them, and simulated instruments measure them. */
final readonly class HiddenVehicles
{
    private const SEED = 20261;
    private const FINE = 1_000_000;

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

    /**
     * A vehicle with a fault drawn by its number, as often as faults of its kind are.
     *
     * @param string $asked what it is asked, and how often it was before: each of its answers wavers for itself
     *
     * @return array{HiddenVehicle, SuspectAt}|null nothing while its predictions are being computed
     */
    public function drawn(string $preset, int $number, string $asked = ''): ?array
    {
        $document = $this->catalogue->vehicle($preset);
        $layout = Layout::fromArray($document);
        $signature = $this->predictions->signature($layout);
        if (null === $signature) {
            $this->predictions->sound($layout, $document);

            return null;
        }
        $field = Field::of($this->catalogue->knowledge(), $layout, $signature);
        $weights = array_map(static fn (Particle $one): float => $one->weight, $field->particles);
        $left = (new Randomizer(new Mt19937($number)))->getInt(0, self::FINE) / self::FINE * array_sum($weights);
        $drawn = 0;
        while ($drawn < \count($weights) - 1 && ($left -= $weights[$drawn]) > 0.0) {
            ++$drawn;
        }
        $vehicle = HiddenVehicle::drawn($field, $drawn, new Mt19937(self::SEED + crc32($number.$asked)));

        return [$vehicle, $field->particles[$drawn]->suspect];
    }
}
