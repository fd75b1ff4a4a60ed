<?php

declare(strict_types=1);

namespace Rodrel\Core\Trial;

use Rodrel\Core\Isolation\Settings;
use Rodrel\Core\Log\Payload\Arrival;
use Rodrel\Core\Log\Payload\FittedPart;

/** How a drawn vehicle comes in, and the shop that it comes to. */
final readonly class Visit
{
    /** @param list<FittedPart> $parts fitted lately */
    public function __construct(
        public Arrival $arrival,
        public array $parts,
        public Settings $settings,
        public \DateTimeImmutable $at,
    ) {
    }
}
