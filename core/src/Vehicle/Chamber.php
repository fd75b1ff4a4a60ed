<?php

declare(strict_types=1);

namespace Rodrel\Core\Vehicle;

use Rodrel\Core\Vocabulary\Corner;

/** One chamber of the master cylinder and the wheels its circuit feeds. */
final readonly class Chamber
{
    /** @param non-empty-list<Corner> $wheels */
    public function __construct(public string $id, public float $strokeMl, public array $wheels)
    {
    }
}
