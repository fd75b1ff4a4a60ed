<?php

declare(strict_types=1);

namespace Rodrel\Core\Log;

/** What a line from elsewhere says of itself: by whom it was written there, and why it would have been refused here. */
final readonly class Claim
{
    /** @param list<string> $doubts keys of the reasons for which the rules here would have refused it */
    public function __construct(public string $author, public array $doubts = [])
    {
    }
}
