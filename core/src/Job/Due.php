<?php

declare(strict_types=1);

namespace Rodrel\Core\Job;

/** How soon something has to be done. */
enum Due: string
{
    case Now = 'now';
    case Soon = 'soon';
    case NotSeen = 'not-seen';
    case Good = 'good';

    public function order(): int
    {
        return (int) array_search($this, self::cases(), true);
    }
}
