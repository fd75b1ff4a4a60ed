<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Shape;
use Rodrel\Core\Vocabulary\CheckAt;

/** A reading with what it said about a group: the likelihood ratio, 1 where none was asked for. */
final readonly class CitedReading
{
    public Weight $weight;

    /** @param array<string, string> $outcomes word by row */
    public function __construct(
        public string $reading,
        public CheckAt $check,
        public array $outcomes,
        public float $ratio = 1.0,
    ) {
        $this->weight = Weight::ofRatio($ratio);
    }

    public static function of(Argument $argument): self
    {
        $reading = $argument->reading;

        return new self($reading->id, $reading->check, $reading->outcomes, $argument->ratio);
    }

    /** @return array{reading: string, check: string, outcomes: array<string, string>, ratio: float} */
    public function toArray(): array
    {
        return [
            'reading' => $this->reading,
            'check' => (string) $this->check,
            'outcomes' => $this->outcomes,
            'ratio' => $this->ratio,
        ];
    }

    public static function fromShape(Shape $shape): self
    {
        $outcomes = [];
        foreach ($shape->in('outcomes')->keys() as $row) {
            $outcomes[$row] = $shape->in('outcomes')->text($row);
        }

        return new self(
            $shape->text('reading'),
            CheckAt::parse($shape->text('check')),
            $outcomes,
            $shape->number('ratio'),
        );
    }
}
