<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Check\Check;
use Rodrel\Core\Check\Checks;
use Rodrel\Core\Shape;
use Rodrel\Core\Vocabulary\CheckAt;

/** A check that could be made now: what it would teach, what it costs, what stands before it. */
final readonly class Proposal
{
    /**
     * @param list<Branch> $fork likeliest first
     * @param list<Gate> $gates closed ones
     */
    public function __construct(
        public Check $check,
        public CheckAt $at,
        public array $fork,
        public Worth $worth,
        public array $gates,
    ) {
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'at' => (string) $this->at,
            'fork' => array_map(static fn (Branch $branch): array => get_object_vars($branch), $this->fork),
            'worth' => get_object_vars($this->worth),
            'gates' => array_map(static fn (Gate $gate): array => $gate->toArray(), $this->gates),
        ];
    }

    public static function fromShape(Shape $shape, Checks $checks): self
    {
        $at = CheckAt::parse($shape->text('at'));
        $worth = $shape->in('worth');

        return new self(
            $checks->of($at),
            $at,
            array_values(array_map(Branch::fromShape(...), $shape->each('fork'))),
            new Worth(
                $worth->number('bits'),
                $worth->number('savingCents'),
                $worth->number('minutes'),
                $worth->number('score'),
            ),
            array_values(array_map(Gate::fromShape(...), $shape->each('gates'))),
        );
    }

    /** Whether it can be made now, or after lifting and cooling alone. */
    public function isPossible(): bool
    {
        return [] === array_filter($this->gates, static fn (Gate $gate): bool => $gate->waits);
    }
}
