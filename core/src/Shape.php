<?php

declare(strict_types=1);

namespace Rodrel\Core;

/**
 * Reads a decoded JSON document with types and remembers where it is, so that a wrong value is
 * reported with its JSON pointer.
 */
final readonly class Shape
{
    /** @param array<array-key, mixed> $data */
    public function __construct(private array $data, public string $path = '')
    {
    }

    public function has(string $key): bool
    {
        return \array_key_exists($key, $this->data) && null !== $this->data[$key];
    }

    /** @throws InvalidData when the key is missing or not a text */
    public function text(string $key, ?string $default = null): string
    {
        $value = $this->data[$key] ?? $default;

        return \is_string($value) ? $value : throw $this->wrong($key, 'a text is expected');
    }

    /** @throws InvalidData when the key is missing or not a finite number */
    public function number(string $key, ?float $default = null): float
    {
        $value = $this->data[$key] ?? $default;
        if (!\is_int($value) && !\is_float($value) || !is_finite((float) $value)) {
            throw $this->wrong($key, 'a finite number is expected');
        }

        return (float) $value;
    }

    public function flag(string $key, bool $default = false): bool
    {
        $value = $this->data[$key] ?? $default;

        return \is_bool($value) ? $value : throw $this->wrong($key, 'true or false is expected');
    }

    /** @return list<string> */
    public function texts(string $key): array
    {
        $out = [];
        foreach ($this->raw($key) as $i => $value) {
            $out[] = \is_string($value) ? $value : throw $this->wrong($key.'/'.$i, 'a text is expected');
        }

        return $out;
    }

    /** @return list<float> */
    public function numbers(string $key): array
    {
        $out = [];
        foreach (array_keys($this->raw($key)) as $i) {
            $out[] = $this->in($key)->number((string) $i);
        }

        return $out;
    }

    /** @return array<string, float> */
    public function numberMap(string $key): array
    {
        return $this->in($key)->numberMapSelf();
    }

    /** @return array<string, float> this object itself, all of its values numbers */
    public function numberMapSelf(): array
    {
        $out = [];
        foreach (array_keys($this->data) as $name) {
            $out[(string) $name] = $this->number((string) $name);
        }

        return $out;
    }

    /** @throws InvalidData when the key is there but not an object or list */
    public function in(string $key): self
    {
        return new self($this->raw($key), $this->path.'/'.$key);
    }

    /** @return array<string, self> one shape per entry, keyed as in the document */
    public function each(string $key): array
    {
        $out = [];
        foreach ($this->raw($key) as $name => $value) {
            if (!\is_array($value)) {
                throw $this->wrong($key.'/'.$name, 'an object is expected');
            }
            $out[(string) $name] = new self($value, $this->path.'/'.$key.'/'.$name);
        }

        return $out;
    }

    /** @return array<array-key, mixed> the untyped value, empty when the key is missing */
    public function raw(string $key): array
    {
        $value = $this->data[$key] ?? [];

        return \is_array($value) ? $value : throw $this->wrong($key, 'an object or list is expected');
    }

    public function rawValue(string $key): mixed
    {
        return $this->data[$key] ?? null;
    }

    public function wrong(string $key, string $what): InvalidData
    {
        return InvalidData::at($this->path.('' === $key ? '' : '/'.$key), $what);
    }
}
