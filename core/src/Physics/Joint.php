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
    /** Nothing opened: the reservoir's cap loosened. */
    case Cap = 'cap';

    /** Whether the line itself is opened. */
    public function opens(): bool
    {
        return self::Eased !== $this && self::Cap !== $this;
    }
}
