<?php

declare(strict_types=1);

namespace Rodrel\Core\Trial;

/** One way in which the World differs from what the model believes of it. */
enum Departure: string
{
    /** Every figure of what is seen and said is drawn again, within a factor of two. */
    case Signs = 'signs';
    /** How often each fault is there, within a factor of three. */
    case Priors = 'priors';
    /** On one vehicle each family of readings is off in the same way each time. */
    case Physics = 'physics';
    /** A third of the vehicles have a defect that has nothing to do with it. */
    case Innocent = 'innocent';
    /** One in twenty has a way to fail that the catalogue lacks: a known part that shows what nobody wrote down. */
    case Outside = 'outside';
    /** One in ten is not the kind of vehicle that it was taken for. */
    case Figures = 'figures';
    /** Rows answered wrongly twice as often, most of them by a neighbouring word. */
    case Slips = 'slips';
}
