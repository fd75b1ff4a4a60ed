<?php

declare(strict_types=1);

namespace Rodrel\Core\Fault;

use Rodrel\Core\Physics\Effects;
use Rodrel\Core\Shape;
use Rodrel\Core\Vehicle\Layout;
use Rodrel\Core\Vocabulary\Place;

/** What a fault does to the model, over its severity grid. */
final readonly class Damage
{
    /**
     * @param list<Severity> $axes
     * @param list<EffectRule> $rules
     */
    private function __construct(public array $axes, private array $rules)
    {
    }

    public static function fromShape(Shape $shape): self
    {
        $axes = $rules = [];
        foreach ($shape->each('severity') as $name => $axis) {
            $axes[] = Severity::fromShape($name, $axis);
        }
        $names = array_map(static fn (Severity $axis): string => $axis->name, $axes);
        foreach ($shape->each('effects') as $target => $parameters) {
            array_push($rules, ...EffectRule::fromShape($target, $parameters, $names));
        }
        $used = array_merge(...array_map(static fn (EffectRule $rule): array => $rule->factors, $rules));
        foreach (array_diff($names, $used) as $idle) {
            $shape->in('severity')->miss($idle, 'no effect uses this severity');
        }

        return new self($axes, $rules);
    }

    /** @return list<array{array<string, float>, float}> each combination of severities with its share of the weight */
    public function grid(): array
    {
        $grid = [[[], 1.0]];
        foreach ($this->axes as $axis) {
            $sum = array_sum($axis->weights);
            $wider = [];
            foreach ($grid as [$severity, $share]) {
                foreach ($axis->values as $i => $value) {
                    $wider[] = [[...$severity, $axis->name => $value], $share * $axis->weights[$i] / $sum];
                }
            }
            $grid = $wider;
        }

        return $grid;
    }

    /**
     * @param array<string, float> $severity value by axis
     */
    public function effectsAt(Place $place, array $severity, Layout $layout): Effects
    {
        $overrides = [];
        foreach ($this->rules as $rule) {
            foreach ($rule->targets($place, $layout) as $target) {
                $overrides[(string) $target][$rule->parameter] = $rule->value($severity);
            }
        }

        return new Effects($overrides);
    }
}
