<?php

declare(strict_types=1);

namespace Rodrel\Core\Trial;

use Rodrel\Core\Vocabulary\CheckAt;

/** A defect that is really there and has nothing to do with the complaint. */
final readonly class Innocent
{
    public function __construct(public CheckAt $at, public string $row, public string $word)
    {
    }

    /** Its word where it is looked at; null elsewhere. */
    public function shows(CheckAt $at, string $row): ?string
    {
        return $this->at->is($at) && $this->row === $row ? $this->word : null;
    }
}
