<?php

declare(strict_types=1);

namespace Rodrel\Core\Vocabulary;

/** A check where it is made: `bleeder-open@lf`, `spin@vehicle`. */
final readonly class CheckAt extends IdAt
{
    /** The key of one row of answers in the predictions: `spin@vehicle/lf`, `bleeder-open@lf`. */
    public function row(string $row): string
    {
        return $this.('' === $row ? '' : '/'.$row);
    }
}
