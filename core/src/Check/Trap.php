<?php

declare(strict_types=1);

namespace Rodrel\Core\Check;

/**
 * A joint opened on a fresh trap: effort at the tread before in N, pressure at the wheel when it opens, effort after.
 */
final readonly class Trap
{
    public function __construct(public float $beforeN, public float $kpa, public float $afterN)
    {
    }
}
