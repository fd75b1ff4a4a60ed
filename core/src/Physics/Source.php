<?php

declare(strict_types=1);

namespace Rodrel\Core\Physics;

/**
 * What presses a circuit. Foot, booster and master today; a remote booster, an accumulator or a plug in a line are
 * other ones, and the solver does not know the difference.
 */
interface Source
{
    /**
     * The pressure that the chamber is held at while its piston can move.
     *
     * @param float $t seconds
     * @param float $givenMl what the source has given to the circuit so far
     *
     * @return float kPa; 0 lets the piston go home
     */
    public function kpa(float $t, float $givenMl): float;

    /** The next moment after `$t` at which its slope changes; INF when there is none. */
    public function nextCorner(float $t): float;
}
