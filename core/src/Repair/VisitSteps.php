<?php

declare(strict_types=1);

namespace Rodrel\Core\Repair;

use Rodrel\Core\Shape;

/** What a visit does once however many parts it changes: steps before and after all others, things laid ready once. */
final readonly class VisitSteps
{
    /**
     * @param list<string> $first steps before all others, in their order
     * @param list<string> $atTheEnd steps after all others, in their order
     * @param list<string> $after steps on the road, once the wheels are on
     * @param list<string> $noParts what is got ready and not bought
     * @param array<string, array<string, string>> $instead step that stands for another on a kind of brake, by kind
     * @param list<string> $tools things that serve the whole visit; all else is counted by part
     */
    private function __construct(
        public array $first,
        public array $atTheEnd,
        public array $after,
        public array $tools,
        public array $noParts,
        public array $instead,
    ) {
    }

    public static function fromShape(Shape $shape): self
    {
        $instead = [];
        foreach ($shape->in('instead')->keys() as $kind) {
            foreach ($shape->in('instead')->in($kind)->keys() as $step) {
                $instead[$kind][$step] = $shape->in('instead')->in($kind)->text($step);
            }
        }

        return new self(
            $shape->texts('first'),
            $shape->texts('at_the_end'),
            $shape->texts('after'),
            $shape->texts('tools'),
            $shape->texts('no_parts'),
            $instead,
        );
    }
}
