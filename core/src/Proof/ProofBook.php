<?php

declare(strict_types=1);

namespace Rodrel\Core\Proof;

use Rodrel\Core\Check\Checks;
use Rodrel\Core\Shape;
use Rodrel\Core\Vehicle\Reach;

/** What must be shown before a repaired vehicle leaves, in the order to show it. */
final readonly class ProofBook
{
    /** @param non-empty-list<CriterionRule> $criteria */
    private function __construct(public array $criteria)
    {
    }

    /** Without what a kind of vehicle cannot show. */
    public function on(Reach $reach, Checks $checks): self
    {
        $criteria = array_values(array_filter(
            $this->criteria,
            static fn (CriterionRule $rule): bool => null === $rule->check
                || !$checks->has($rule->check)
                || \in_array($reach, $checks->all[$rule->check]->places->on, true),
        ));

        return [] === $criteria ? $this : new self($criteria);
    }

    public static function fromShape(Shape $shape): self
    {
        $criteria = array_values(array_map(CriterionRule::fromShape(...), $shape->each('criteria')));
        $none = ['id' => 'none', 'computed' => CriterionRule::OPEN_STEPS];

        return new self([] !== $criteria ? $criteria : [
            $shape->miss('criteria', 'at least one is expected', CriterionRule::fromShape(new Shape($none))),
        ]);
    }

    /** @return list<string> the words of a check's row that pass the criteria which ask for it */
    public function passingOf(string $check, string $row): array
    {
        $words = [];
        foreach ($this->criteria as $rule) {
            array_push($words, ...($rule->check === $check ? $rule->rows[$row] ?? [] : []));
        }

        return $words;
    }

    /** @return list<string> the words of a row of its check that pass a criterion */
    public function passing(string $criterion, string $row): array
    {
        foreach ($this->criteria as $rule) {
            if ($rule->id === $criterion) {
                return $rule->rows[$row] ?? [];
            }
        }

        return [];
    }
}
