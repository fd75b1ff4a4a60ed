<?php

declare(strict_types=1);

namespace App\Job;

use Rodrel\Core\Log\Payload\IntakePayload;

/** What the driver said. */
final readonly class IntakePage
{
    /**
     * @param array<string, mixed> $form
     * @param array{
     *     whats: list<string>, wheres: array<string, list<string>>, timings: list<string>,
     *     patterns: list<string>, parts: list<string>, places: list<string>
     * } $choices
     */
    public function __construct(
        public ?IntakePayload $intake,
        public string $said,
        public array $form,
        public array $choices,
    ) {
    }
}
