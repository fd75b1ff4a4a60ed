<?php

declare(strict_types=1);

namespace Rodrel\Core\Physics;

/** What can be loosened to let trapped pressure out, from the wheel upstream. */
enum Joint: string
{
    /** The bleeder. */
    case Wheel = 'wheel';
    case HoseTop = 'hose-top';
    case ModulatorOutlet = 'modulator-outlet';
    case MasterOutlet = 'master-outlet';
    /** Nothing opened: the master eased off its booster. */
    case Eased = 'eased';

    public function isAtTheMaster(): bool
    {
        return self::MasterOutlet === $this || self::Eased === $this;
    }
}
