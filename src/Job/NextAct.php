<?php

declare(strict_types=1);

namespace App\Job;

/** What is next on a job, in keys: it is kept, and said in the language of whoever reads it. */
final readonly class NextAct
{
    /** A sentence of its own: `of` is its key. */
    public const SAY = 'say';
    public const ROUND = 'round';
    public const CHECK = 'check';
    public const REPAIR = 'repair';
    public const SIGN = 'sign';

    /**
     * @param string $kind one of the constants
     * @param string $of the key of a text, a round, a check at its place, a repair at its place; '' for none
     * @param string $suspect to be signed: the fault that leads among those of the repair; '' for none
     */
    public function __construct(public string $kind, public string $of = '', public string $suspect = '')
    {
    }

    /** @return array<string, string> */
    public function toArray(): array
    {
        return ['kind' => $this->kind, 'of' => $this->of, 'suspect' => $this->suspect];
    }

    /** @param array<array-key, mixed> $kept by toArray; empty where nothing was kept yet */
    public static function fromArray(array $kept): ?self
    {
        [$kind, $of, $suspect] = [$kept['kind'] ?? null, $kept['of'] ?? '', $kept['suspect'] ?? ''];

        return \is_string($kind) && \is_string($of) && \is_string($suspect) ? new self($kind, $of, $suspect) : null;
    }
}
