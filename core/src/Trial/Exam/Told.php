<?php

declare(strict_types=1);

namespace Rodrel\Core\Trial\Exam;

/** What is known of a written job before anybody looks: the vehicle, what its driver says, what the intake notes. */
final readonly class Told
{
    /**
     * @param list<string> $vehicles presets that it can be
     * @param list<string> $complaints ids
     * @param list<string> $known `stood`, `driven-in`, `fitted PART@PLACE WEEKS`
     */
    public function __construct(
        public array $vehicles,
        public array $complaints,
        public string $pattern,
        public array $known,
    ) {
    }
}
