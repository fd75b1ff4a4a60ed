<?php

declare(strict_types=1);

namespace App\Repair;

use Rodrel\Core\Job\Account;

/** What a job was to cost and what it did. */
final readonly class MoneyPage
{
    /**
     * @param array{wrong: list<string>, guessed: float, tested: float, minutes: float}|null $usual cost of replacing
     *     what is usual, with what would have been replaced in vain, and of testing with its repair (minor units)
     */
    public function __construct(
        public Account $account,
        public float $spent,
        public float $labour,
        public ?array $usual,
        public string $back,
    ) {
    }
}
