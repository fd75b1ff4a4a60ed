<?php

declare(strict_types=1);

namespace Rodrel\Core\Job;

use Rodrel\Core\Vocabulary\CheckAt;
use Rodrel\Core\Vocabulary\Corner;

/** One line of a condition report. */
final readonly class ConditionLine
{
    /**
     * @param CheckAt|null $check what was looked at; null where figures speak
     * @param string $word as it was seen; '' where nobody looked
     * @param string|null $repair id of what would mend it
     */
    public function __construct(
        public Due $due,
        public ?CheckAt $check,
        public string $row,
        public string $word,
        public ?string $repair,
        public ?MeasuredLine $figures = null,
    ) {
    }

    public static function measured(
        Due $due,
        Corner $corner,
        Measurement $latest,
        float $leftMm,
        ?int $km,
        string $part,
    ): self {
        return new self(
            $due,
            null,
            '',
            '',
            Due::Good === $due ? null : $part,
            new MeasuredLine($corner, $part, $latest->deciding(), $leftMm, $km),
        );
    }
}
