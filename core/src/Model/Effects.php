<?php

declare(strict_types=1);

namespace Rodrel\Core\Model;

/**
 * What a fault changes in the model: overrides of single parameters, by target and name.
 * Targets are edges (`hose@lf`, `inlet-valve@lf`, `pipe@lf`), nodes (`wheel@lf`), brakes (`brake@lf`),
 * chambers (`chamber@primary`) and `booster`.
 */
final readonly class Effects
{
    /** @param array<string, array<string, float>> $overrides target → parameter → value */
    public function __construct(private array $overrides = [])
    {
    }

    public static function none(): self
    {
        return new self();
    }

    public function value(string $target, string $parameter, float $sound): float
    {
        return $this->overrides[$target][$parameter] ?? $sound;
    }

    /** Both faults installed; where they touch the same parameter the later one wins. */
    public function with(self $other): self
    {
        $merged = $this->overrides;
        foreach ($other->overrides as $target => $parameters) {
            $merged[$target] = [...$merged[$target] ?? [], ...$parameters];
        }

        return new self($merged);
    }

    public function has(string $parameter): bool
    {
        foreach ($this->overrides as $parameters) {
            if (isset($parameters[$parameter])) {
                return true;
            }
        }

        return false;
    }

    /** The same with one parameter scaled wherever it is changed. */
    public function scaled(string $parameter, float $by): self
    {
        $scaled = $this->overrides;
        foreach ($scaled as $target => $parameters) {
            if (isset($parameters[$parameter])) {
                $scaled[$target][$parameter] *= $by;
            }
        }

        return new self($scaled);
    }

    public function isEmpty(): bool
    {
        return [] === $this->overrides;
    }

    /** @return list<string> */
    public function targets(): array
    {
        return array_keys($this->overrides);
    }
}
