<?php

declare(strict_types=1);

namespace Rodrel\Core\Fault;

use Rodrel\Core\Physics\Targets;
use Rodrel\Core\Shape;
use Rodrel\Core\Vehicle\Layout;
use Rodrel\Core\Vocabulary\Corner;
use Rodrel\Core\Vocabulary\Place;
use Rodrel\Core\Vocabulary\TargetAt;

/** One parameter that a fault changes: a number, or a product of named severities. */
final readonly class EffectRule
{
    private const HERE = '{place}';
    private const EVERYWHERE = '*';
    private const EVERY_WHEEL = '{wheels}';

    /**
     * @param string|null $where HERE, EVERY_WHEEL that the place serves, EVERYWHERE in the vehicle, or null for what is
     *     there once
     * @param list<string> $factors severities to multiply
     */
    private function __construct(
        private string $kind,
        private ?string $where,
        public string $parameter,
        private float $number,
        public array $factors,
    ) {
    }

    /**
     * @param string $target `hose@{place}`, `chamber@*` or `booster`
     * @param Shape $shape parameter → number or product
     * @param list<string> $axes the severities there are
     *
     * @return list<self>
     */
    public static function fromShape(string $target, Shape $shape, array $axes): array
    {
        [$kind, $where] = TargetAt::pattern($target);
        if (
            !\in_array($kind, Targets::kinds(), true)
            || !\in_array($where, [self::HERE, self::EVERY_WHEEL, self::EVERYWHERE, null], true)
        ) {
            $shape->miss('', 'there is no such target; there are '.implode(', ', Targets::kinds()));
        }
        $rules = [];
        foreach ($shape->keys() as $parameter) {
            if (null === Targets::range($kind, $parameter)) {
                $shape->miss($parameter, \sprintf('"%s" has no such parameter', $kind));
            }
            $value = $shape->rawValue($parameter);
            $factors = \is_string($value) ? explode('*', $value) : [];
            if ((!\is_int($value) && !\is_float($value) && [] === $factors) || [] !== array_diff($factors, $axes)) {
                $shape->miss($parameter, 'a number, or severities of this fault joined by *, are expected');
                $factors = [];
            }
            $rules[] = new self(
                $kind,
                $where,
                $parameter,
                \is_int($value) || \is_float($value) ? (float) $value : 1.0,
                $factors,
            );
        }

        return $rules;
    }

    /**
     * @return list<TargetAt>
     */
    public function targets(Place $place, Layout $layout): array
    {
        return match ($this->where) {
            self::HERE => [TargetAt::of($this->kind, $place)],
            self::EVERY_WHEEL => array_map(
                fn (Corner $wheel): TargetAt => TargetAt::of($this->kind, $wheel),
                $place->wheels(),
            ),
            self::EVERYWHERE => array_map(
                fn (Place|Corner|string|null $there): TargetAt => TargetAt::of($this->kind, $there),
                Targets::placesOf($this->kind, $layout),
            ),
            default => [TargetAt::of($this->kind)],
        };
    }

    /** @param array<string, float> $severity value by axis */
    public function value(array $severity): float
    {
        $product = $this->number;
        foreach ($this->factors as $factor) {
            $product *= $severity[$factor];
        }

        return $product;
    }
}
