<?php

declare(strict_types=1);

namespace Rodrel\Core\Physics;

use Rodrel\Core\Vocabulary\Corner;
use Rodrel\Core\Vocabulary\Place;
use Rodrel\Core\Vocabulary\TargetAt;

/**
 * What a fault changes in the model: overrides of single parameters, by target and name; `Targets` says which there
 * are.
 */
final readonly class Effects
{
    private const ADD_UP = [
        'extra_drag', 'air', 'extra_clearance', 'knock', 'leak', 'stiffness', 'slack', 'give', 'outlet', 'rear_seal',
        'lost_ml_day',
    ];
    private const THE_LESS = [
        'gr', 'gf', 'port', 'spring', 'vacuum_kpa', 'pressed_kpa', 'keep_s', 'friction', 'flow', 'vent', 'knee_kpa',
        'slope', 'gain_share',
    ];

    /** @var array<string, true> parameters that are changed somewhere: most questions are about others */
    private array $changed;

    /** @param array<string, array<string, float>> $overrides target → parameter → value */
    public function __construct(private array $overrides = [])
    {
        $changed = [];
        foreach ($overrides as $parameters) {
            $changed += array_fill_keys(array_keys($parameters), true);
        }
        $this->changed = $changed;
    }

    public function isNone(): bool
    {
        return [] === $this->overrides;
    }

    public static function none(): self
    {
        return new self();
    }

    /** One parameter of one target. */
    public static function single(TargetAt $target, string $parameter, float $value): self
    {
        return new self([(string) $target => [$parameter => $value]]);
    }

    public function value(string $kind, Place|Corner|string|null $place, string $parameter, float $sound): float
    {
        return isset($this->changed[$parameter])
            ? $this->overrides[(string) TargetAt::of($kind, $place)][$parameter] ?? $sound
            : $sound;
    }

    /**
     * Both faults installed in one vehicle: drags, air, gaps, leaks and give add up; of two narrow passages the
     * narrower
     * counts, of everything else the larger.
     */
    public function together(self $other): self
    {
        $merged = $this->overrides;
        foreach ($other->overrides as $target => $parameters) {
            foreach ($parameters as $parameter => $value) {
                $here = $merged[$target][$parameter] ?? null;
                $merged[$target][$parameter] = match (true) {
                    null === $here => $value,
                    \in_array($parameter, self::ADD_UP, true) => $here + $value,
                    \in_array($parameter, self::THE_LESS, true) => min($here, $value),
                    default => max($here, $value),
                };
            }
        }

        return new self($merged);
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

    /** Whether it changes anything of such targets. */
    public function touches(string $kind): bool
    {
        foreach (array_keys($this->overrides) as $target) {
            if ($kind === TargetAt::pattern($target)[0]) {
                return true;
            }
        }

        return false;
    }

    public function has(string $parameter): bool
    {
        return isset($this->changed[$parameter]);
    }

    /**
     * What is not at one of these places: nowhere in particular, or somewhere else.
     *
     * @param array<string, mixed> $places by id
     */
    public function awayFrom(array $places): self
    {
        $away = array_filter(
            $this->overrides,
            static fn (string $target): bool => !isset($places[TargetAt::pattern($target)[1] ?? '']),
            \ARRAY_FILTER_USE_KEY,
        );

        return \count($away) === \count($this->overrides) ? $this : new self($away);
    }

    /**
     * The same but for what is changed at targets of these kinds.
     *
     * @param list<string> $kinds
     */
    public function without(array $kinds): self
    {
        return new self(array_filter(
            $this->overrides,
            static fn (string $target): bool => !\in_array(TargetAt::pattern($target)[0], $kinds, true),
            \ARRAY_FILTER_USE_KEY,
        ));
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

    /** @return array<string, array<string, float>> target → parameter → value */
    public function all(): array
    {
        return $this->overrides;
    }
}
