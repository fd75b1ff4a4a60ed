<?php

declare(strict_types=1);

namespace App\Bleed;

use Rodrel\Core\Bleeding\BleedMethod;

/** Method, fluid and purpose before bleeding. */
final readonly class BleedSetupPage
{
    /**
     * @param array<string, BleedMethod> $methods
     * @param list<string> $fluids
     */
    public function __construct(
        public array $methods,
        public array $fluids,
        public string $school,
        public bool $renew,
        public bool $pads,
    ) {
    }
}
