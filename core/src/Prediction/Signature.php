<?php

declare(strict_types=1);

namespace Rodrel\Core\Prediction;

use Rodrel\Core\Check\Checks;
use Rodrel\Core\InvalidData;
use Rodrel\Core\Shape;
use Rodrel\Core\Vehicle\Layout;

/**
 * What every particle of a layout predicts for every row of every check: the faults' signatures put together, as plain
 * arrays, so that it can be stored as a file of constants. A row holds its distinct predictions once, and which of them
 * each particle has.
 *
 * @phpstan-type PredictedRow array{
 *     words: list<string>, table: list<non-empty-list<float>>, index: list<int>, blunder: float, noise: float,
 *     cause: string, common: float, medians?: list<float>, sound?: float
 * }
 */
final readonly class Signature
{
    private const FORMAT = 3;

    /**
     * @param array<string, PredictedRow> $rows by row key
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
                    $rows[$rowKey] = [
                        'words' => $wording->words,
                        'blunder' => $wording->blunder,
                        'noise' => $wording->noise,
                        'cause' => $wording->common->cause ?? '',
                        'common' => $wording->common->noise ?? 0.0,
                    ] + self::joined($rowKey, $sound, $faults);
                    if (isset($sound->medians[$rowKey])) {
                        $rows[$rowKey]['sound'] = $sound->medians[$rowKey];
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

    /**
     * With hypotheses more: pairs of faults, after all single ones.
     *
     * @param list<FaultSignature> $pairs
     */
    public function with(array $pairs): self
    {
        $rows = $this->rows;
        foreach ($rows as $key => $row) {
            foreach ($pairs as $pair) {
                $more = $pair->rows[$key] ?? null;
                $from = \count($row['table']);
                foreach ($more['table'] ?? [] as $chances) {
                    $row['table'][] = $chances;
                }
                foreach ($more['index'] ?? array_fill(0, $pair->particles, -1) as $i) {
                    // the first prediction of a row is a sound vehicle's
                    $row['index'][] = -1 === $i ? 0 : $from + $i;
                }
                if (isset($row['medians'])) {
                    $sound = array_fill(0, $pair->particles, $row['sound'] ?? 1.0);
                    array_push($row['medians'], ...$more['medians'] ?? $sound);
                }
            }
            $rows[$key] = $row;
        }
        $more = array_sum(array_map(static fn (FaultSignature $pair): int => $pair->particles, $pairs));

        return new self($this->key, $this->particles + $more, $rows, $this->simulations);
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
         * @var array<string, PredictedRow> $rows
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

    /**
     * @param list<FaultSignature> $faults
     *
     * @return array{table: list<non-empty-list<float>>, index: list<int>, medians?: list<float>}
     */
    private static function joined(string $rowKey, SoundSignature $sound, array $faults): array
    {
        $table = [$sound->chances[$rowKey]];
        $known = [Figures::print($table[0]) => 0];
        $index = $medians = [];
        foreach ($faults as $fault) {
            $row = $fault->rows[$rowKey] ?? null;
            $map = [-1 => 0];
            foreach ($row['table'] ?? [] as $n => $chances) {
                $print = Figures::print($chances);
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
}
