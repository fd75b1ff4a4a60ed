<?php

declare(strict_types=1);

namespace App\Job;

use App\Account\Languages;
use App\Catalogue\SourceHash;
use Rodrel\Core\Catalogue\Catalogue;

/** By which rules, code and texts the lines of the list are made. */
final readonly class LineMaker
{
    public function __construct(
        private Catalogue $catalogue,
        private SourceHash $sources,
        private Languages $languages,
    ) {
    }

    public function hash(): string
    {
        $made = [
            $this->catalogue->hash,
            $this->sources->predicting(),
            $this->sources->judging(),
            $this->sources->texts(),
            ...$this->languages->all,
        ];

        return hash('sha256', implode("\0", $made));
    }
}
