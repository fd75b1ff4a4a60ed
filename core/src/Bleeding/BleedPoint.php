<?php

declare(strict_types=1);

namespace Rodrel\Core\Bleeding;

use Rodrel\Core\Vocabulary\Corner;

/** One bleeder: of a wheel, of the line booster, of a clutch that drinks from the same reservoir. */
final readonly class BleedPoint
{
    /** Places of bleeders that are at no wheel. */
    public const ELSEWHERE = ['remote', 'clutch'];
    /** Which of several bleeders of a place; '' where there is one. */
    public const BLEEDERS = ['', 'inner', 'outer', 'slave', 'valve'];

    /** @param string $place a corner's id, or one of ELSEWHERE */
    public function __construct(public string $place, public string $bleeder)
    {
    }

    /** `rr`, or `lf-inner` where a caliper has two bleeders. */
    public function key(): string
    {
        return '' === $this->bleeder ? $this->place : $this->place.'-'.$this->bleeder;
    }

    public function corner(): ?Corner
    {
        return Corner::tryFrom($this->place);
    }
}
