<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

/** A safety gate: closed until readings of this epoch open it. */
final readonly class Gate
{
    /**
     * @param list<string> $unmet       keys of the conditions not met, in the order to meet them
     * @param bool         $overridable whether a lead may open it with a recorded reason
     * @param bool         $seenUnsafe  something was seen to be wrong; else it is only not looked at yet
     */
    public function __construct(public string $id, public array $unmet, public bool $overridable, public bool $seenUnsafe = false)
    {
    }

    public function isOpen(): bool
    {
        return [] === $this->unmet;
    }
}
