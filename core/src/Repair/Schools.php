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
