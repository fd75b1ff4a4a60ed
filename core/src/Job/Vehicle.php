<?php

declare(strict_types=1);

namespace Rodrel\Core\Job;

use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Prediction\SoundSignature;
use Rodrel\Core\Vehicle\Layout;

/** The vehicle of a job: what is known of its kind, its own brakes, and what it would show if it were sound. */
final readonly class Vehicle
{
    public function __construct(public Catalogue $catalogue, public Layout $layout, public ?SoundSignature $sound)
    {
    }
}
