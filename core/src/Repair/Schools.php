<?php

declare(strict_types=1);

namespace Rodrel\Core\Repair;

use Rodrel\Core\Shape;

/** Where good technicians differ, as the catalogue has it: each question's choices and what a choice does. */
final readonly class Schools
{
    /**
     * @param array<string, non-empty-array<string, Choice>> $questions choices by question; the first is the usual one
     */
    private function __construct(public array $questions)
    {
    }

    public static function fromShape(Shape $shape): self
    {
        $questions = [];
        foreach ($shape->each('schools') as $id => $school) {
            $choices = array_map(Choice::fromShape(...), $school->each('choices'));
            if (\count($choices) < 2) {
                $school->miss('choices', 'at least two choices are expected');
            } else {
                $questions[$id] = $choices;
            }
        }

        return new self($questions);
    }

    /**
     * All ways that a sheet leaves open.
     *
     * @param list<string> $left ways of its steps
     *
     * @return array<string, list<string>> by what each is a way of
     */
    public function ways(array $left): array
    {
        $all = [];
        foreach ($this->questions as $choices) {
            foreach ($choices as $choice) {
                foreach ($choice->ways as $of => $way) {
                    $all[$of][] = $way;
                }
            }
        }

        return array_filter($all, static fn (array $ways): bool => [] !== array_intersect($ways, $left));
    }

    /**
     * What the shop's choices come to; a question without an answer takes the usual one.
     *
     * @param array<string, string> $chosen choice by question
     */
    public function practice(array $chosen): Practice
    {
        $practice = new Practice();
        foreach ($this->questions as $question => $choices) {
            $practice = $practice->with($choices[$chosen[$question] ?? ''] ?? $choices[array_key_first($choices)]);
        }

        return $practice;
    }
}
