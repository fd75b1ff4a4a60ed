<?php

declare(strict_types=1);

namespace Rodrel\Core\Proof;

use Rodrel\Core\Vocabulary\CheckAt;

/**
 * The drive whose temperatures were taken before the repair: the same one proves it, with these words at every wheel.
 */
final readonly class SameDrive
{
    /** @param list<string> $words */
    public function __construct(public CheckAt $check, public array $words)
    {
    }
}
