<?php

declare(strict_types=1);

namespace Rodrel\Core\Log;

use Rodrel\Core\InvalidData;

/** What may be written next. The same rule stands before the page, the command line, an import and the demo. */
final readonly class Rule
{
    /** A hold point looked at by one person alone wants this long between the two looks (s; handbook). */
    public const SECOND_LOOK_S = 600;

    /**
     * @throws Refused with what to do first
     * @throws InvalidData when the payload names what does not exist
     */
    public static function check(Door $door, Entry $entry): void
    {
        $entry->payload->rule($door, $entry);
    }
}
