<?php

declare(strict_types=1);

namespace App\Tests\Attack;

final readonly class Answer
{
    /** @param int $status 0 where nothing came back */
    public function __construct(public int $status, public string $head, public string $body, public float $ms)
    {
    }

    /** Empty where there is none. */
    public function header(string $name): string
    {
        return 1 === preg_match('/^'.preg_quote($name, '/').':\s*(.*?)\s*$/mi', $this->head, $found) ? $found[1] : '';
    }
}
