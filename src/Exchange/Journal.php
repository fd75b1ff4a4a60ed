<?php

declare(strict_types=1);

namespace App\Exchange;

use App\Job\JobEntryRepository;
use App\Job\Projector;
use App\Job\ReadJob;
use Rodrel\Core\Catalogue\Catalogue;
use Symfony\Component\Clock\ClockInterface;

/** What is needed to read a log that is only just coming in, and to list it. */
final readonly class Journal
{
    public function __construct(
        public JobEntryRepository $entries,
        public ReadJob $readJob,
        public Projector $projector,
        public Catalogue $catalogue,
        public ClockInterface $clock,
    ) {
    }
}
