<?php

declare(strict_types=1);

namespace App\Finding;

use Rodrel\Core\Isolation\Proposal;
use Rodrel\Core\Job\PathTaken;
use Rodrel\Core\Log\Entry;
use Rodrel\Core\Log\Payload\FindingPayload;
use Rodrel\Core\Log\Payload\QuotePayload;
use Rodrel\Core\Repair\Repair;
use Rodrel\Core\Repair\Scope;

/** What a finding rests on, and what signing it means. */
final readonly class FindingPage
{
    /**
     * @param array<int, string> $lacks tools that would tell more
     * @param array<string, mixed> $chosen
     * @param non-empty-list<array<string, mixed>> $rows
     * @param array{one: float, pair: float}|null $sides
     * @param list<array<string, mixed>> $options
     * @param list<string> $common
     * @param Entry<FindingPayload>|null $signed
     * @param list<string> $odd readings that speak against it all the same
     * @param bool $trial a trial repair, with its odds
     * @param list<array{quote: QuotePayload, more: int}> $quotes
     * @param list<string> $hinges readings that would change it if they were wrong
     * @param list<string> $unread what the complaint calls for and nobody looked at
     * @param list<array<string, mixed>> $offered lines of the work list that tend to go with it
     * @param array<string, string> $all every other repair of this vehicle by its group
     */
    public function __construct(
        public string $sentence,
        public string $do,
        public bool $nowhere,
        public array $chosen,
        public string $spoils,
        public bool $leads,
        public array $rows,
        public float $second,
        public bool $confirmed,
        public bool $contradiction,
        public ?Proposal $next,
        public ?string $nextName,
        public array $lacks,
        public float $cost,
        public float $expected,
        public float $truth,
        public Repair $repair,
        public Scope $scope,
        public bool $pair,
        public ?array $sides,
        public array $options,
        public array $common,
        public float $rate,
        public ?Entry $signed,
        public ?PathTaken $path,
        public array $odd,
        public bool $trial,
        public int $spent,
        public array $quotes,
        public array $all,
        public array $hinges,
        public array $unread,
        public array $offered,
    ) {
    }
}
