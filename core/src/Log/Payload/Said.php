<?php

declare(strict_types=1);

namespace Rodrel\Core\Log\Payload;

use Rodrel\Core\Shape;

/**
 * A sentence as it was shown, and the key and parameters it was made of; lines of the first format hold the sentence
 * alone.
 */
final readonly class Said
{
    /** @param array<string, string> $parameters */
    public function __construct(public string $sentence, public string $key = '', public array $parameters = [])
    {
    }

    public static function read(Shape $shape): self
    {
        $parameters = [];
        foreach ($shape->in('parameters')->keys() as $name) {
            $parameters[$name] = $shape->in('parameters')->text($name);
        }

        return new self($shape->text('sentence'), $shape->text('key', ''), $parameters);
    }

    /** @return array{sentence: string, key: string, parameters: array<string, string>} */
    public function write(): array
    {
        return ['sentence' => $this->sentence, 'key' => $this->key, 'parameters' => $this->parameters];
    }
}
