<?php

declare(strict_types=1);

namespace App\Job;

/** The same id was sent before with other content: both are shown, nothing is overwritten. */
final class EntryConflict extends \RuntimeException
{
    /** @param array<string, mixed> $sent */
    public function __construct(public readonly JobEntry $stored, public readonly array $sent)
    {
        parent::__construct('An entry with this id says something else.');
    }
}
