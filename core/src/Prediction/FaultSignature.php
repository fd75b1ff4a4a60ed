<?php

declare(strict_types=1);

namespace Rodrel\Core\Prediction;

use Rodrel\Core\Shape;

/**
 * What every particle of one fault shows, row by row, where that differs from a sound vehicle. A row holds its
 * distinct predictions once, which of them each particle has (-1: as a sound one), and the medians of typed numbers.
 *
 * @phpstan-type PredictedRow array{table: list<non-empty-list<float>>, index: list<int>, medians?: list<float>}
 */
final readonly class FaultSignature
{
    /** @param array<string, PredictedRow> $rows by row key */
    public function __construct(
        public string $key,
        public string $fault,
        public int $particles,
        public array $rows,
        public int $simulations,
    ) {
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'key' => $this->key,
            'fault' => $this->fault,
            'particles' => $this->particles,
            'rows' => $this->rows,
            'simulations' => $this->simulations,
        ];
    }

    /** @param array<array-key, mixed> $data as from toArray(); the rows are taken as they are */
    public static function fromArray(array $data): self
    {
        $shape = new Shape($data, '/fault-signature');
        /** @var array<string, PredictedRow> $rows */
        $rows = $shape->raw('rows');

        return new self(
            $shape->text('key'),
            $shape->text('fault'),
            (int) $shape->number('particles'),
            $rows,
            (int) $shape->number('simulations'),
        );
    }
}
