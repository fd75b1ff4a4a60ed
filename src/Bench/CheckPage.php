<?php

declare(strict_types=1);

namespace App\Bench;

use Rodrel\Core\Check\Manner;
use Rodrel\Core\Vehicle\Measuring;

/** One check: how, cautions, what stands before it, what to read. */
final readonly class CheckPage
{
    /**
     * @param list<string> $tools
     * @param list<string> $noted what is written down beside the answers
     * @param list<array{said: string, check: string|null}> $missing what to do without a tool
     * @param list<string> $spoken
     * @param list<array<string, mixed>> $rows
     * @param list<array<string, mixed>> $gates
     * @param list<array{
     *     id: string, about: string, author: string, name: string|null, taken_at: string, width: int, height: int
     * }> $photos
     * @param array<string, array{said: string, who: string, at: \DateTimeImmutable, differs: string}> $answers by row
     * @param list<array{id: string, label: string}> $open rows that nobody has answered; their form has no empty name
     * @param array{part: string, own: string|null}|null $limit
     * @param list<string> $makeshifts earlier ones at this place
     */
    public function __construct(
        public string $check,
        public Manner $manner,
        public array $tools,
        public array $missing,
        public string $name,
        public string $how,
        public ?string $turns,
        public array $spoken,
        public ?string $caution,
        public array $rows,
        public bool $wheels,
        public bool $overAir,
        public array $gates,
        public bool $made,
        public array $answers,
        public array $open,
        public string $from,
        public array $makeshifts,
        public array $photos,
        public ?Measuring $measures,
        public array $noted,
        public ?string $records,
        public ?array $limit,
        public string $lengthUnit,
        public string $airUnit,
    ) {
    }
}
