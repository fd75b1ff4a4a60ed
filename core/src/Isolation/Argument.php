<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

/** How one reading speaks about one repair group. */
final readonly class Argument
{
    /**
     * @param float $ratio likelihood under the group over that under everything else
     * @param array<string, string> $expected what the group expected most, by row
     */
    public function __construct(
        public Reading $reading,
        public float $ratio,
        public Weight $weight,
        public array $expected,
    ) {
    }
}
