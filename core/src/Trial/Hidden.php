<?php

declare(strict_types=1);

namespace Rodrel\Core\Trial;

use Rodrel\Core\Log\Payload\IntakePayload;
use Rodrel\Core\Vocabulary\CheckAt;
use Rodrel\Core\Vocabulary\GroupAt;

/** A vehicle whose fault is known to the count alone: it is told about, it answers checks, it can be repaired. */
interface Hidden
{
    /** The shop that it comes to, and when. */
    public function visit(): Visit;

    /** What its driver says. */
    public function intake(): IntakePayload;

    /**
     * @param int $time how often the check was made before since the last repair
     *
     * @return array<string, string|float> word, or number in core units, by row
     */
    public function answer(CheckAt $at, int $time = 0): array;

    /** Whether who made it said that he is not sure. */
    public function isUnsure(CheckAt $at, int $time = 0): bool;

    /** A repair was carried out: whether it cured something. */
    public function repair(GroupAt $group): bool;

    /** Tells it from every other one. */
    public function print(): string;

    /** @return list<string> repair groups that would cure what is still wrong */
    public function cures(): array;

    /** A road check would meet a wheel that can hardly be turned, or a pedal that goes down. */
    public function isUnsafeToDrive(): bool;
}
