<?php

declare(strict_types=1);

namespace Rodrel\Core\Trial;

use Rodrel\Core\Log\Payload\IntakePayload;
use Rodrel\Core\Vocabulary\CheckAt;
use Rodrel\Core\Vocabulary\GroupAt;

/** A practice vehicle met by somebody else: told about as it was, and answering every check as it answered then. */
final class Rigged implements Hidden
{
    private bool $cured = false;

    /** @param \Closure(CheckAt, int): array<string, string|float> $answers by check and how often it was made before */
    public function __construct(
        private readonly IntakePayload $told,
        private readonly Visit $visit,
        private readonly GroupAt $cure,
        private readonly \Closure $answers,
    ) {
    }

    public function visit(): Visit
    {
        return $this->visit;
    }

    public function intake(): IntakePayload
    {
        return $this->told;
    }

    public function answer(CheckAt $at, int $time = 0): array
    {
        return ($this->answers)($at, $time);
    }

    public function isUnsure(CheckAt $at, int $time = 0): bool
    {
        return false;
    }

    public function repair(GroupAt $group): bool
    {
        $this->cured = $this->cured || $group->is($this->cure);

        return $group->is($this->cure);
    }

    public function print(): string
    {
        return (string) $this->cure;
    }

    public function cures(): array
    {
        return $this->cured ? [] : [(string) $this->cure];
    }

    public function isUnsafeToDrive(): bool
    {
        return false;
    }

    /**
     * How somebody goes through it until he would repair, or stops.
     *
     * @return array{signed: string, right: bool, minutes: float, checks: list<string>}
     */
    public function walk(Policy $policy, Play $play, int $most = 30): array
    {
        while ($play->acts < $most) {
            $verdict = $play->diagnosis()->verdict();
            if (null !== $verdict->repair) {
                break;
            }
            $next = $policy->next($play, $verdict);
            if (null === $next) {
                break;
            }
            $play->make($next);
        }
        $signed = $play->diagnosis()->verdict()->repair ?? $play->diagnosis()->belief->leader()[0];

        return [
            'signed' => (string) $signed,
            'right' => $signed->is($this->cure),
            'minutes' => $play->minutes,
            'checks' => $play->path,
        ];
    }
}
