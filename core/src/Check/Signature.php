<?php

declare(strict_types=1);

namespace Rodrel\Core\Check;

use Rodrel\Core\InvalidData;
use Rodrel\Core\Shape;

/**
 * What every particle predicts for every row of every check: plain arrays, so that it can be stored as a file
 * of constants. Rows hold each distinct prediction once and an index per particle.
 */
final readonly class Signature
{
    public const FORMAT = 1;

    /**
     * @param array<string, array{words: list<string>, table: list<list<float>>, index: list<int>, medians?: list<float>, sound?: float, noise?: float}> $rows
     */
    public function __construct(public string $key, public int $particles, public array $rows, public int $simulations)
    {
    }

    /** @return array{format: int, key: string, particles: int, simulations: int, rows: array<string, mixed>} */
    public function toArray(): array
    {
        return ['format' => self::FORMAT, 'key' => $this->key, 'particles' => $this->particles, 'simulations' => $this->simulations, 'rows' => $this->rows];
    }

    /**
     * @param array<array-key, mixed> $data as from toArray(); the rows are taken as they are, since reading them must cost nothing
     *
     * @throws InvalidData
     */
    public static function fromArray(array $data): self
    {
        $shape = new Shape($data, '/signature');
        if (self::FORMAT !== (int) $shape->number('format')) {
            throw $shape->wrong('format', 'another format; compute it again');
        }
        /** @var array<string, array{words: list<string>, table: list<list<float>>, index: list<int>, medians?: list<float>, sound?: float, noise?: float}> $rows */
        $rows = $shape->raw('rows');

        return new self($shape->text('key'), (int) $shape->number('particles'), $rows, (int) $shape->number('simulations'));
    }

    public function has(string $rowKey): bool
    {
        return isset($this->rows[$rowKey]);
    }

    /** @return list<float> the chance of one word under each particle */
    public function column(string $rowKey, string $word): array
    {
        $row = $this->rows[$rowKey];
        $at = array_search($word, $row['words'], true);
        if (!\is_int($at)) {
            throw InvalidData::at('/'.$rowKey, \sprintf('"%s" is not an outcome; expected %s', $word, implode(', ', $row['words'])));
        }
        $byPrediction = array_map(static fn (array $chances): float => $chances[$at], $row['table']);

        return array_map(static fn (int $i): float => $byPrediction[$i], $row['index']);
    }

    /** @return list<float> relative likelihood of a typed number under each particle */
    public function density(string $rowKey, float $number): array
    {
        $row = $this->rows[$rowKey];
        if (!isset($row['medians'], $row['noise'], $row['sound'])) {
            throw InvalidData::at('/'.$rowKey, 'this row takes a word, not a number');
        }
        // a slip of the pen falls anywhere up to half over the largest number that any fault shows
        $flat = 0.02 / (1.5 * max(2.0 * $row['sound'], 1e-9, ...$row['medians']));
        $noise = $row['noise'];

        return array_map(static fn (float $median): float => 0.98 * Chance::density($number, $median, $noise) + $flat, $row['medians']);
    }
}
