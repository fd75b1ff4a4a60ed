<?php

declare(strict_types=1);

namespace App\Repair;

use Rodrel\Core\Job\Account;

/** What a job was to cost and what it did. */
final readonly class MoneyPage
{
    public function __construct(
        public Account $account,
        public float $spent,
        public float $labour,
        public string $back,
    ) {
    }
}
