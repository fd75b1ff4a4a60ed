<?php

declare(strict_types=1);

namespace App\Demo;

use App\Account\User;
use App\Finding\SignedFinding;
use App\Job\AppendEntry;
use App\Job\OpenJob;
use App\Job\ReadJob;
use App\Prediction\Predictions;
use Random\Engine\Mt19937;
use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Isolation\Field;
use Rodrel\Core\Rig\HiddenVehicle;
use Rodrel\Core\Vehicle\Layout;
use Symfony\Component\Clock\ClockInterface;

/** Sets up vehicles with hidden faults, and the hands that look for them. */
final readonly class Player
{
    private const SEED = 20261;

    public function __construct(
        private OpenJob $openJob,
        private AppendEntry $append,
        private ReadJob $readJob,
        private SignedFinding $signed,
        private Catalogue $catalogue,
        private Predictions $predictions,
        private ClockInterface $clock,
    ) {
    }

    public function play(HiddenVehicle $vehicle, string $since, User $author, User $second): PlayedJob
    {
        $hands = new Hands(
            $author,
            $second,
            $this->openJob,
            $this->append,
            $this->readJob,
            $this->signed,
            $this->catalogue,
        );

        return new PlayedJob($hands, $this->clock->now()->modify($since), $vehicle);
    }

    public function vehicle(string $preset, string $suspect, int $grade, bool $wavering = false): HiddenVehicle
    {
        $document = $this->catalogue->vehicle($preset);
        [$signature] = $this->predictions->compute($document);
        $field = Field::of($this->catalogue->knowledge(), Layout::fromArray($document), $signature);
        $engine = new Mt19937(self::SEED + crc32($suspect));

        return HiddenVehicle::with($field, $suspect, $grade, $engine, $wavering);
    }

    public function day(string $from): string
    {
        return $this->clock->now()->modify($from)->format('Y-m-d');
    }
}
