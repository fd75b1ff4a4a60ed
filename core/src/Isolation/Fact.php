<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

/** What a gate may ask of the vehicle itself, without a reading. */
enum Fact: string
{
    case OnGround = 'on-ground';
    /** As far up as the check wants it. */
    case Lifted = 'lifted';
    case Stands = 'stands';
    case Cool = 'cool';
    /** Nothing that a check took apart is still apart. */
    case Together = 'together';
    /** What was opened is closed and proved. */
    case Closed = 'closed';
    case DrivenIn = 'driven-in';
    /** No pressure is stored: nothing on this vehicle stores any, or it was let go and the ignition is off since. */
    case Discharged = 'discharged';
    /** The spring brake of the wheel at hand is wound back and held by its bolt, or it has none. */
    case Caged = 'caged';
    /** It stands as it came: not driven in, and nobody has started its engine. */
    case Unstarted = 'unstarted';
    /** The wheel at hand, or any for a check of the whole vehicle, was found held. */
    case Held = 'held';
    /** The check that must come first was made. */
    case MadeBefore = 'made-before';

    /** Whether it is brought about on the way to the check. */
    public function isPreparation(): bool
    {
        return match ($this) {
            self::OnGround, self::Lifted, self::Stands, self::Together => true,
            default => false,
        };
    }

    /** Whether its failing is something seen to be wrong, not only something to be done first. */
    public function isSeen(): bool
    {
        return match ($this) {
            self::Cool, self::Closed => true,
            self::OnGround, self::Lifted, self::Stands, self::Together,
            self::DrivenIn, self::Unstarted, self::Held, self::MadeBefore, self::Discharged, self::Caged => false,
        };
    }
}
