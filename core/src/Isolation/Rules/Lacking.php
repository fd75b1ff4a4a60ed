<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation\Rules;

use Rodrel\Core\Isolation\Proposal;
use Rodrel\Core\Isolation\Standing;

/** What is worth making and only wants a tool that the shop does not have. */
final readonly class Lacking
{
    private const SHOWN = 2;

    /** @return list<Proposal> */
    public static function of(Standing $at): array
    {
        $lacking = array_filter(
            $at->everything(),
            static fn (Proposal $one): bool => $one->worth->score > 0.0 && [] !== $one->lacks(),
        );

        return \array_slice(array_values($lacking), 0, self::SHOWN);
    }
}
