<?php

declare(strict_types=1);

namespace Rodrel\Core\Physics;

/**
 * The state that a step started from, kept for the next step of a two-step method.
 *
 * @internal
 */
final readonly class StepPast
{
    /** @param array<int, float> $volumes mL by node */
    public function __construct(public float $h, public array $volumes, public Totals $totals)
    {
    }
}
