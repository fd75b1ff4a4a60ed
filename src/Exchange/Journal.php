<?php

declare(strict_types=1);

namespace App\Exchange;

use App\Job\ProjectJobLine;
use App\Job\ReadJob;
use Rodrel\Core\Catalogue\Catalogue;
use Symfony\Component\Clock\ClockInterface;

/** What is needed to read a log that is only just coming in, and to list it. */
final readonly class Journal
{
    public function __construct(
        public ReadJob $readJob,
        public ProjectJobLine $project,
        public Catalogue $catalogue,
        public ClockInterface $clock,
    ) {
    }
}
