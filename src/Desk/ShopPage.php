<?php

declare(strict_types=1);

namespace App\Desk;

use App\Account\Role;
use App\Account\User;
use Rodrel\Core\Repair\Repair;

/** Prices, thresholds, tools, schools and people of the shop. */
final readonly class ShopPage
{
    /**
     * @param string $kept the section that was just kept; '' for none
     * @param string $section the one that stands open
     * @param array<string, mixed> $numbers as typed, where the form came back, else as they stand
     * @param array<string, array<string, string>> $does what each of them comes to, on an example
     * @param array<mixed> $now
     * @param array<string, non-empty-list<string>> $schools
     * @param list<string> $tools
     * @param array<string, Repair> $repairs
     * @param list<User> $people
     * @param array{Role::Technician, Role::Lead, Role::Admin} $roles
     * @param list<string> $zones
     * @param array{jobs: int, minutes: int, book: int, cents: float}|null $paths
     */
    public function __construct(
        public ?string $wrong,
        public string $kept,
        public string $section,
        public array $numbers,
        public array $does,
        public array $now,
        public array $schools,
        public array $tools,
        public array $repairs,
        public array $people,
        public array $roles,
        public array $zones,
        public ?array $paths,
    ) {
    }
}
