<?php

declare(strict_types=1);

namespace App\Report;

/** The customer's report as written in its own language, inside the page of whoever shows it. */
final readonly class CustomerFrame
{
    /** @param list<string> $languages other than its own */
    public function __construct(
        public string $body,
        public string $language,
        public array $languages,
        public string $title,
    ) {
    }
}
