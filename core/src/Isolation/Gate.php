<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

/** A safety gate: closed until readings of this epoch open it. */
final readonly class Gate
{
    /**
     * @param list<string> $unmet       keys of the conditions not met, in the order to meet them
     * @param bool         $overridable whether a lead may open it with a recorded reason
     */
    public function __construct(public string $id, public array $unmet, public bool $overridable)
    {
    }

    public function isOpen(): bool
    {
        return [] === $this->unmet;
    }
}
