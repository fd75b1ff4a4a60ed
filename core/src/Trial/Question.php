<?php

declare(strict_types=1);

namespace Rodrel\Core\Trial;

/** A check at the moment when it was made, or might have been. */
final readonly class Question
{
    /**
     * @param string $check at its place
     * @param float $minutes of the check and the way to it
     * @param float $bits what it was expected to tell then
     */
    public function __construct(public string $check, public float $minutes, public float $bits)
    {
    }
}
