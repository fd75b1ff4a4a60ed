<?php

declare(strict_types=1);

namespace Rodrel\Core\Fault;

use Rodrel\Core\InvalidData;
use Rodrel\Core\Model\Effects;
use Rodrel\Core\Shape;

/** One row of the fault catalogue: what fails, where it can sit, what it changes and what it shows. */
final readonly class Fault
{
    /**
     * @param list<Severity>                      $severities
     * @param array<string, array<string, mixed>> $effects      target with `{place}` or `*` → parameter → number or expression
     * @param array<string, list<float>>          $signs        sign check id → chance of each of its outcomes
     * @param list<string>                        $confirm      check ids that confirm this fault
     * @param list<string>                        $spoils
     * @param array<string, float>                $afterFitting part fitted lately at the same place → factor on the weight
     */
    private function __construct(
        public string $id,
        public FaultPlaces $places,
        public string $repair,
        public ?string $repairPlace,
        public float $weight,
        public array $severities,
        public array $effects,
        public array $signs,
        public string $agesWith,
        public array $confirm,
        public array $spoils,
        public array $afterFitting,
    ) {
    }

    /** @throws InvalidData */
    public static function fromShape(Shape $shape): self
    {
        $severities = [];
        foreach ($shape->each('severity') as $name => $axis) {
            $severities[] = Severity::fromShape($name, $axis);
        }
        $signs = [];
        foreach (array_keys($shape->raw('signs')) as $check) {
            $signs[(string) $check] = $shape->in('signs')->numbers((string) $check);
            if (abs(array_sum($signs[(string) $check]) - 1.0) > 1e-6) {
                throw $shape->in('signs')->wrong((string) $check, 'chances must sum to 1');
            }
        }
        $effects = [];
        foreach ($shape->each('effects') as $target => $parameters) {
            foreach (array_keys($shape->in('effects')->raw($target)) as $parameter) {
                $effects[$target][(string) $parameter] = $shape->in('effects')->raw($target)[$parameter];
            }
        }
        if ($shape->number('weight') <= 0.0) {
            throw $shape->wrong('weight', 'a weight is above zero');
        }

        return new self(
            $shape->text('id'),
            FaultPlaces::tryFrom($shape->text('places')) ?? throw $shape->wrong('places', 'unknown kind of place'),
            $shape->text('repair'),
            $shape->has('repair_place') ? $shape->text('repair_place') : null,
            $shape->number('weight'),
            $severities,
            $effects,
            $signs,
            $shape->text('ages_with'),
            $shape->texts('confirm'),
            $shape->texts('spoils'),
            $shape->numberMap('after_fitting'),
        );
    }

    /**
     * @param array<string, float> $severity value by axis
     * @param list<string>         $chambers what `chamber@*` stands for
     */
    public function effectsAt(string $place, array $severity, array $chambers): Effects
    {
        $overrides = [];
        foreach ($this->effects as $target => $parameters) {
            $targets = 'chamber@*' === $target
                ? array_map(static fn (string $id): string => 'chamber@'.$id, $chambers)
                : [str_replace('{place}', $place, $target)];
            foreach ($targets as $name) {
                foreach ($parameters as $parameter => $expression) {
                    $overrides[$name][$parameter] = $this->evaluate($expression, $severity);
                }
            }
        }

        return new Effects($overrides);
    }

    /** @param array<string, float> $severity */
    private function evaluate(mixed $expression, array $severity): float
    {
        if (\is_int($expression) || \is_float($expression)) {
            return (float) $expression;
        }
        $product = 1.0;
        foreach (explode('*', \is_string($expression) ? $expression : '') as $factor) {
            $product *= $severity[$factor] ?? throw InvalidData::at('/faults/'.$this->id, \sprintf('effect names no severity "%s"', $factor));
        }

        return $product;
    }
}
