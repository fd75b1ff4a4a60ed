<?php

declare(strict_types=1);

namespace App\Tests\Attack;

/** One request as it is sent. */
final readonly class Sent
{
    /**
     * @param array<array-key, mixed>|string|null $body
     * @param list<string> $headers
     */
    public function __construct(
        public string $method,
        public string $path,
        public array|string|null $body,
        public array $headers,
    ) {
    }
}
