<?php

declare(strict_types=1);

namespace Rodrel\Core;

/**
 * Reads a decoded JSON document with types and remembers where it is. Alone it throws at the first wrong value; with a
 * list of mistakes it writes each down with its JSON pointer, goes on with a stand-in, and knows which keys nobody
 * read.
 */
final class Shape
{
    /** @var array<array-key, true> keys that somebody asked for */
    private array $read = [];
    /** @var array<array-key, self> */
    private array $children = [];

    /** @param array<array-key, mixed> $data */
    public function __construct(
        private readonly array $data,
        public readonly string $path = '',
        private readonly ?Mistakes $mistakes = null,
    ) {
    }

    public function has(string $key): bool
    {
        $this->read[$key] = true;

        return isset($this->data[$key]);
    }

    /** @throws InvalidData when the key is missing or not a text */
    public function text(string $key, ?string $default = null): string
    {
        $value = $this->take($key) ?? $default;

        return \is_string($value) ? $value : $this->miss($key, 'a text is expected', '');
    }

    /** Null where the key is missing. */
    public function optionalText(string $key): ?string
    {
        return $this->has($key) ? $this->text($key) : null;
    }

    /** @throws InvalidData when the key is missing or not a finite number */
    public function number(string $key, ?float $default = null): float
    {
        $value = $this->take($key) ?? $default;

        return (\is_int($value) || \is_float($value)) && is_finite((float) $value)
            ? (float) $value
            : $this->miss($key, 'a finite number is expected', 1.0);
    }

    /** Null where the key is missing. */
    public function optionalNumber(string $key): ?float
    {
        return $this->has($key) ? $this->number($key) : null;
    }

    /** @throws InvalidData when the number is not above zero */
    public function positive(string $key, ?float $default = null): float
    {
        return $this->within($key, 1e-12, \INF, 'a number above zero is expected', $default);
    }

    /** @throws InvalidData when the number is below zero */
    public function notNegative(string $key, ?float $default = null): float
    {
        return $this->within($key, 0.0, \INF, 'a number of zero or more is expected', $default);
    }

    /** @throws InvalidData when the number is not between 0 and 1 */
    public function share(string $key, ?float $default = null): float
    {
        return $this->within($key, 0.0, 1.0, 'a share between 0 and 1 is expected', $default);
    }

    public function flag(string $key, bool $default = false): bool
    {
        $value = $this->take($key) ?? $default;

        return \is_bool($value) ? $value : $this->miss($key, 'true or false is expected', $default);
    }

    /**
     * @template T of \BackedEnum
     *
     * @param class-string<T> $type
     * @param T|null $default
     *
     * @return T
     *
     * @throws InvalidData when the word is none of the cases
     */
    public function oneOf(string $key, string $type, ?\BackedEnum $default = null): \BackedEnum
    {
        $value = $this->take($key) ?? $default?->value;
        $case = \is_string($value) ? $type::tryFrom($value) : null;
        if (null !== $case) {
            return $case;
        }
        $words = implode(', ', array_map(static fn (\BackedEnum $one): string => (string) $one->value, $type::cases()));

        return $this->miss($key, $this->called($value).'one of '.$words.' is expected', $type::cases()[0]);
    }

    /**
     * @param non-empty-list<string> $words
     *
     * @throws InvalidData when the text is none of the words
     */
    public function choice(string $key, array $words, ?string $default = null): string
    {
        $value = $this->take($key) ?? $default;
        $found = \is_string($value) && \in_array($value, $words, true);

        return $found
            ? $value
            : $this->miss($key, $this->called($value).'one of '.implode(', ', $words).' is expected', $words[0]);
    }

    /** @return list<string> */
    public function texts(string $key): array
    {
        $out = [];
        foreach ($this->raw($key) as $i => $value) {
            $out[] = \is_string($value) ? $value : $this->miss($key.'/'.$i, 'a text is expected', '');
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
        return $this->children[$key] ??= $this->child($key, $this->raw($key));
    }

    /** @return array<string, self> one shape per entry, keyed as in the document */
    public function each(string $key): array
    {
        $list = $this->in($key);
        $out = [];
        foreach ($list->data as $name => $value) {
            $list->read[$name] = true;
            $entry = \is_array($value) ? $value : $this->miss($key.'/'.$name, 'an object is expected', []);
            $out[(string) $name] = $list->children[$name] ??= $list->child((string) $name, $entry);
        }

        return $out;
    }

    /** @return array<array-key, mixed> the untyped value, empty when the key is missing */
    public function raw(string $key): array
    {
        $value = $this->take($key) ?? [];

        return \is_array($value) ? $value : $this->miss($key, 'an object or list is expected', []);
    }

    public function rawValue(string $key): mixed
    {
        return $this->take($key);
    }

    /** @return list<string> */
    public function keys(): array
    {
        return array_map(strval(...), array_keys($this->data));
    }

    public function wrong(string $key, string $what): InvalidData
    {
        return InvalidData::at($this->path.('' === $key ? '' : '/'.$key), $what);
    }

    /**
     * Writes a mistake down, or throws it where nobody keeps a list.
     *
     * @template T
     *
     * @param T $standIn
     *
     * @return T
     *
     * @throws InvalidData
     */
    public function miss(string $key, string $what, mixed $standIn = null): mixed
    {
        $wrong = $this->wrong($key, $what);
        if (null === $this->mistakes) {
            throw $wrong;
        }
        $this->mistakes->add($wrong->path, $what);

        return $standIn;
    }

    /** Every key that nobody asked for is a mistake. */
    public function refuseUnknown(): void
    {
        foreach (array_keys($this->data) as $key) {
            if (!isset($this->read[$key])) {
                $this->miss((string) $key, 'there is no such key here');
            }
        }
        foreach ($this->children as $child) {
            $child->refuseUnknown();
        }
    }

    /** @param array<array-key, mixed> $data */
    private function child(string $key, array $data): self
    {
        return new self($data, $this->path.'/'.$key, $this->mistakes);
    }

    private function take(string $key): mixed
    {
        $this->read[$key] = true;

        return $this->data[$key] ?? null;
    }

    private function within(string $key, float $low, float $high, string $what, ?float $default): float
    {
        $number = $this->number($key, $default);

        return $number >= $low && $number <= $high ? $number : $this->miss($key, $what, max($low, min($high, 1.0)));
    }

    private function called(mixed $value): string
    {
        return \is_string($value) ? \sprintf('"%s" is unknown; ', mb_substr($value, 0, 40)) : '';
    }
}
