<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Check\Check;
use Rodrel\Core\Shape;

/** A gate as the catalogue has it: what it stands before, who may open it, and its conditions. */
final readonly class GateRule
{
    /**
     * @param bool $overridable a lead may open it with a recorded reason
     * @param bool $waits nothing is suggested behind it
     * @param bool $inTurn only the first unmet condition is named
     * @param GateScope $scope what it stands before
     * @param non-empty-list<GateCondition> $conditions
     */
    private function __construct(
        public string $id,
        public bool $overridable,
        private bool $waits,
        private bool $inTurn,
        private GateScope $scope,
        public array $conditions,
    ) {
    }

    public static function fromShape(string $id, Shape $shape): self
    {
        $conditions = array_values(array_map(GateCondition::fromShape(...), $shape->each('conditions')));
        if ([] === $conditions) {
            $conditions = [$shape->miss('conditions', 'at least one condition is expected', GateCondition::fromShape(
                new Shape(['id' => 'none', 'fact' => Fact::Stands->value]),
            ))];
        }

        return new self(
            $id,
            $shape->flag('overridable'),
            $shape->flag('waits', true),
            $shape->flag('in_turn'),
            GateScope::fromShape($shape->in('before')),
            $conditions,
        );
    }

    public function standsBefore(Check $check): bool
    {
        return $this->scope->isBefore($check, $this->id);
    }

    /** @param Check|null $check null: the gate itself, before nothing in particular */
    public function gate(Asking $asking, ?Check $check): Gate
    {
        $unmet = [];
        $unsafe = false;
        $answers = $preparations = [];
        foreach ($this->conditions as $condition) {
            foreach ($condition->unmet($asking, $check) as [$key, $seen]) {
                $unmet[] = $key;
                $unsafe = $unsafe || $seen;
                $answer = $seen ? null : $condition->answer($asking, $check);
                $answers += null === $answer ? [] : [$key => $answer];
                if ($condition->isPreparation()) {
                    $preparations[] = $key;
                }
                if ($this->inTurn) {
                    break 2;
                }
            }
        }

        return new Gate($this->id, $unmet, $this->overridable, $unsafe, $this->waits, $answers, $preparations);
    }
}
