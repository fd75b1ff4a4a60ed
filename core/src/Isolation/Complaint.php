<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

/** What the driver said at the intake, whatever was repaired since. */
final readonly class Complaint
{
    /**
     * @param list<string> $said ids of complaints
     * @param string $pattern when the main one happens; '' where nobody said
     * @param bool $stood the vehicle stood for weeks
     */
    public function __construct(public array $said = [], public string $pattern = '', public bool $stood = false)
    {
    }
}
