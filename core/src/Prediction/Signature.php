<?php

declare(strict_types=1);

namespace Rodrel\Core\Prediction;

use Rodrel\Core\Check\Chance;
use Rodrel\Core\Check\Checks;
use Rodrel\Core\InvalidData;
use Rodrel\Core\Shape;
use Rodrel\Core\Vehicle\Layout;

/**
 * What every particle of a layout predicts for every row of every check: the faults' signatures put together, as plain
 * arrays, so that it can be stored as a file of constants. A row holds its distinct predictions once, and which of them
 * each particle has.
 */
final readonly class Signature
{
    private const FORMAT = 2;

    /**
     * @param array<string, array{
     *     words: list<string>, table: list<list<float>>, index: list<int>,
     *     medians?: list<float>, sound?: float, noise?: float, blunder?: float
     * }> $rows by row key
     */
    private function __construct(
        public string $key,
        public int $particles,
        public array $rows,
        public int $simulations,
    ) {
    }

    /** @param list<FaultSignature> $faults in the order of the catalogue */
    public static function of(string $key, Layout $layout, Checks $checks, SoundSignature $sound, array $faults): self
    {
        $rows = [];
        foreach ($checks as $check) {
            foreach ($check->everywhere($layout) as $at) {
                foreach ($check->rows as $row) {
                    $rowKey = $at->row($row->id);
                    $wording = $row->observer->wording;
                    $rows[$rowKey] = ['words' => $wording->words] + self::joined($rowKey, $sound, $faults);
                    if (isset($sound->medians[$rowKey])) {
                        $rows[$rowKey]['sound'] = $sound->medians[$rowKey];
                        $rows[$rowKey]['noise'] = $wording->noise;
                        $rows[$rowKey]['blunder'] = $wording->blunder;
                    }
                }
            }
        }
        $of = static fn (callable $count): int => array_sum(array_map($count, $faults));

        return new self(
            $key,
            $of(static fn (FaultSignature $fault): int => $fault->particles),
            $rows,
            $of(static fn (FaultSignature $fault): int => $fault->simulations),
        );
    }

    /** @return array{format: int, key: string, particles: int, simulations: int, rows: array<string, mixed>} */
    public function toArray(): array
    {
        return [
            'format' => self::FORMAT,
            'key' => $this->key,
            'particles' => $this->particles,
            'simulations' => $this->simulations,
            'rows' => $this->rows,
        ];
    }

    /**
     * @param array<array-key, mixed> $data as from toArray(); the rows are taken as they are, since reading them must
     *     cost nothing
     *
     * @throws InvalidData
     */
    public static function fromArray(array $data): self
    {
        $shape = new Shape($data, '/signature');
        if (self::FORMAT !== (int) $shape->number('format')) {
            throw $shape->wrong('format', 'another format; compute it again');
        }
        /**
         * @var array<string, array{
         *     words: list<string>, table: list<list<float>>, index: list<int>,
         *     medians?: list<float>, sound?: float, noise?: float, blunder?: float
         * }> $rows
         */
        $rows = $shape->raw('rows');

        return new self(
            $shape->text('key'),
            (int) $shape->number('particles'),
            $rows,
            (int) $shape->number('simulations'),
        );
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
            $words = implode(', ', $row['words']);
            throw InvalidData::at('/'.$rowKey, \sprintf('"%s" is not an outcome; expected %s', $word, $words));
        }
        $byPrediction = array_map(static fn (array $chances): float => $chances[$at], $row['table']);

        return array_map(static fn (int $i): float => $byPrediction[$i], $row['index']);
    }

    /** @return list<float> relative likelihood of a typed number under each particle */
    public function density(string $rowKey, float $number): array
    {
        $row = $this->rows[$rowKey];
        if (!isset($row['medians'], $row['noise'], $row['sound'], $row['blunder'])) {
            throw InvalidData::at('/'.$rowKey, 'this row takes a word, not a number');
        }
        $noise = $row['noise'];
        $slip = $row['blunder'];
        // a slip of the pen falls anywhere up to half over the largest number that any fault shows
        $flat = $slip / (1.5 * max(2.0 * $row['sound'], 1e-9, ...$row['medians']));

        return array_map(
            static fn (float $median): float => (1.0 - $slip) * Chance::density($number, $median, $noise) + $flat,
            $row['medians'],
        );
    }

    /**
     * @param list<FaultSignature> $faults
     *
     * @return array{table: list<list<float>>, index: list<int>, medians?: list<float>}
     */
    private static function joined(string $rowKey, SoundSignature $sound, array $faults): array
    {
        $table = [$sound->chances[$rowKey]];
        $known = [self::print($table[0]) => 0];
        $index = $medians = [];
        foreach ($faults as $fault) {
            $row = $fault->rows[$rowKey] ?? null;
            $map = [-1 => 0];
            foreach ($row['table'] ?? [] as $n => $chances) {
                $print = self::print($chances);
                if (!isset($known[$print])) {
                    $known[$print] = \count($table);
                    $table[] = $chances;
                }
                $map[$n] = $known[$print];
            }
            foreach ($row['index'] ?? array_fill(0, $fault->particles, -1) as $n) {
                $index[] = $map[$n];
            }
            array_push($medians, ...$row['medians'] ?? []);
        }

        return ['table' => $table, 'index' => $index] + ([] === $medians ? [] : ['medians' => $medians]);
    }

    /** @param list<float> $chances */
    private static function print(array $chances): string
    {
        return implode(' ', array_map(static fn (float $p): string => \sprintf('%.5g', $p), $chances));
    }
}
