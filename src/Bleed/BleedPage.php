<?php

declare(strict_types=1);

namespace App\Bleed;

use Rodrel\Core\Bleeding\BleedMethod;

/** The order of bleeding, with what has run at each wheel. */
final readonly class BleedPage
{
    /**
     * @param list<array<string, mixed>> $order
     * @param BleedMethod $method at the bleeder that is next; usual: the run's own
     * @param array<string, BleedMethod> $methods that this vehicle can be bled by
     * @param array<string, mixed>|null $now
     * @param bool $last no other bleeder is left
     * @param list<string> $asks what this vehicle wants before and beside its wheels
     */
    public function __construct(
        public array $order,
        public string $school,
        public BleedMethod $method,
        public string $usual,
        public array $methods,
        public string $fluid,
        public int $settle,
        public ?array $now,
        public bool $last,
        public int $clear,
        public string $pads,
        public int $total,
        public int $minutes,
        public bool $finished,
        public ?string $reopen,
        public array $asks,
    ) {
    }
}
