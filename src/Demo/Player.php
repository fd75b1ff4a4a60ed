<?php

declare(strict_types=1);

namespace App\Demo;

use App\Account\User;
use App\Finding\SignedFinding;
use App\Job\AppendEntry;
use App\Job\OpenJob;
use App\Job\ReadJob;
use App\Prediction\HiddenVehicles;
use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Rig\HiddenVehicle;
use Symfony\Component\Clock\ClockInterface;

/** Sets up vehicles with hidden faults, and the hands that look for them. */
final readonly class Player
{
    public function __construct(
        private OpenJob $openJob,
        private AppendEntry $append,
        private ReadJob $readJob,
        private SignedFinding $signed,
        private Catalogue $catalogue,
        private HiddenVehicles $hidden,
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
        return $this->hidden->of($preset, $suspect, $grade, $wavering);
    }

    public function day(string $from): string
    {
        return $this->clock->now()->modify($from)->format('Y-m-d');
    }
}
