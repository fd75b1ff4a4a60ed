<?php

declare(strict_types=1);

namespace App\Job;

use Symfony\Component\Uid\Uuid;

/** Where an entry stands: in which job's log, at which number, in which epoch. */
final readonly class LogPlace
{
    public function __construct(public Uuid $job, public int $seq, public int $epoch)
    {
    }
}
