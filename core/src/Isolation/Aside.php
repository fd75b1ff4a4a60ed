<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

/** What else is known of a reading: further words said in the same breath, and how often it was taken. */
final readonly class Aside
{
    /**
     * @param list<string> $also
     * @param array<string, list<string>> $earlier words of earlier takes, by row
     */
    public function __construct(public array $also = [], public int $times = 1, public array $earlier = [])
    {
    }
}
