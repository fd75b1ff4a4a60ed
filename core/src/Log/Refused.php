<?php

declare(strict_types=1);

namespace Rodrel\Core\Log;

use Rodrel\Core\CoreException;
use Rodrel\Core\Vocabulary\CheckAt;

/**
 * An entry that must not be written now; `reasons` are keys of sentences that say what to do first, `check` is the one
 * of a round that is meant.
 */
final class Refused extends \DomainException implements CoreException
{
    /** @param non-empty-list<string> $reasons */
    private function __construct(
        public readonly string $gate,
        public readonly array $reasons,
        public readonly bool $overridable,
        public readonly ?CheckAt $check = null,
    ) {
        parent::__construct($gate.': '.implode(', ', $reasons));
    }

    /** @param list<string> $reasons */
    public static function by(string $gate, array $reasons, bool $overridable = false): self
    {
        return new self($gate, [] !== $reasons ? $reasons : [$gate], $overridable);
    }

    public function of(CheckAt $check): self
    {
        return new self($this->gate, $this->reasons, $this->overridable, $check);
    }
}
