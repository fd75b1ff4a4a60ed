<?php

declare(strict_types=1);

namespace Rodrel\Core\Physics;

/**
 * The friction between piston and lining in N: what it takes to come on, what stays when it lets go, and the pins'
 * own.
 */
final readonly class Band
{
    /** A sound brake, both ways (N; handbook). */
    public const SOUND_N = 15.0;

    public function __construct(public float $applyN, public float $holdN, public float $pinsN)
    {
    }
}
