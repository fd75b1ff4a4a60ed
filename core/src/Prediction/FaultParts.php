<?php

declare(strict_types=1);

namespace Rodrel\Core\Prediction;

use Rodrel\Core\Fault\Fault;
use Rodrel\Core\Fault\Particle;
use Rodrel\Core\Fault\Particles;
use Rodrel\Core\Vehicle\Layout;

/**
 * The particles of one fault in parts for several processes: every second severity at all of its places, since what
 * happens at the right is told of what was simulated at the left. Put together again they are what computing all of
 * them at once gives.
 *
 * @phpstan-import-type PredictedRow from FaultSignature
 */
final readonly class FaultParts
{
    /** So many particles are worth another process. */
    private const MANY = 16;

    /**
     * @param list<Particle> $particles in their fixed order: place by place, the grid of severities at each
     * @param list<int> $partOf by particle
     */
    private function __construct(
        public Fault $fault,
        public int $count,
        private array $particles,
        private array $partOf,
    ) {
    }

    public static function of(Fault $fault, Layout $layout, int $most): self
    {
        $particles = Particles::ofFault($fault, $layout);
        $count = \count($particles) < self::MANY ? 1 : $most;
        $grid = \count($fault->damage->grid());

        return new self(
            $fault,
            $count,
            $particles,
            array_map(static fn (int $n): int => $n % $grid % $count, array_keys($particles)),
        );
    }

    /** How many particles there are in all. */
    public function size(): int
    {
        return \count($this->particles);
    }

    /** @return list<Particle> */
    public function particles(int $part): array
    {
        return array_values(array_filter(
            $this->particles,
            fn (int $n): bool => $part === $this->partOf[$n],
            \ARRAY_FILTER_USE_KEY,
        ));
    }

    /** @param non-empty-list<FaultSignature> $parts in their order */
    public function joined(array $parts): FaultSignature
    {
        $rows = [];
        $all = array_merge(...array_map(static fn (FaultSignature $part): array => $part->rows, $parts));
        foreach (array_keys($all) as $key) {
            $rows[$key] = $this->row(
                array_map(static fn (FaultSignature $part): ?array => $part->rows[$key] ?? null, $parts),
            );
        }

        return new FaultSignature(
            $parts[0]->key,
            $this->fault->id,
            $this->size(),
            $rows,
            array_sum(array_map(static fn (FaultSignature $part): int => $part->simulations, $parts)),
        );
    }

    /**
     * @param list<PredictedRow|null> $parts null where nothing differs
     *
     * @return PredictedRow
     */
    private function row(array $parts): array
    {
        $table = $index = $medians = $known = [];
        $next = array_fill(0, $this->count, 0);
        foreach ($this->partOf as $part) {
            $row = $parts[$part];
            $n = $next[$part]++;
            $at = $row['index'][$n] ?? -1;
            if (null !== $row && $at >= 0) {
                $print = Figures::print($row['table'][$at]);
                if (!isset($known[$print])) {
                    $known[$print] = \count($table);
                    $table[] = $row['table'][$at];
                }
                $at = $known[$print];
            }
            $index[] = $at;
            if (isset($row['medians'])) {
                $medians[] = $row['medians'][$n];
            }
        }

        return ['table' => $table, 'index' => $index] + ([] === $medians ? [] : ['medians' => $medians]);
    }
}
