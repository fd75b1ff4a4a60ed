<?php

declare(strict_types=1);

namespace App\Input;

use Rodrel\Core\Vocabulary\CheckAt;

/** What was typed cannot be used; `key` names the sentence that says what to do. */
final class InvalidInput extends \InvalidArgumentException
{
    /** @param array<string, string> $parameters */
    private function __construct(
        public readonly string $key,
        public readonly array $parameters,
        public readonly ?CheckAt $check = null,
    ) {
        parent::__construct($key);
    }

    /** @param array<string, string> $parameters */
    public static function because(string $key, array $parameters = []): self
    {
        return new self($key, $parameters);
    }

    /** Which check of a round it is about. */
    public function of(CheckAt $check): self
    {
        return new self($this->key, $this->parameters, $check);
    }
}
