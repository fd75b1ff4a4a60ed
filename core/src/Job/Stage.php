<?php

declare(strict_types=1);

namespace Rodrel\Core\Job;

/** The stations of a job, in order. */
enum Stage: string
{
    case Intake = 'intake';
    case Bench = 'bench';
    case Finding = 'finding';
    case Repair = 'repair';
    case Bleed = 'bleed';
    case Proof = 'proof';
    case Done = 'done';

    public function position(): int
    {
        return (int) array_search($this, self::cases(), true);
    }
}
