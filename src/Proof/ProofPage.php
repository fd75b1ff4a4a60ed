<?php

declare(strict_types=1);

namespace App\Proof;

/** What has been proved and what has not. */
final readonly class ProofPage
{
    /**
     * @param list<array<string, mixed>> $criteria
     * @param list<array{key: string, said: list<string>, overridable: bool, gate: string, answer: null}> $road
     * @param string|null $sheet id of the round on which it is answered with others
     * @param list<array<string, mixed>> $open steps of the sheet that wait for a second look, or for more
     * @param list<array<string, string>> $wheels whose nuts are not tightened yet
     * @param list<array<string, string>> $undone other figures that come with the bleed run
     * @param string|null $night the day on which the pedal's height is to be measured again
     */
    public function __construct(
        public array $criteria,
        public ?string $nextId,
        public ?string $nextCheck,
        public ?string $sheet,
        public bool $standing,
        public bool $passed,
        public bool $mayHandOver,
        public array $road,
        public ?string $failed,
        public ?string $night,
        public array $open,
        public array $wheels,
        public array $undone,
        public string $repairSheet,
    ) {
    }
}
