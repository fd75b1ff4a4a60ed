<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Catalogue;
use Rodrel\Core\Check\Signature;
use Rodrel\Core\Fault\Particle;
use Rodrel\Core\Fault\Particles;
use Rodrel\Core\Vehicle\Layout;

/** All that can be believed about one layout: its particles, their groups and what they predict. */
final readonly class Field
{
    /**
     * @param non-empty-list<Particle> $particles
     * @param list<string>             $groups    distinct repair groups
     * @param list<int>                $groupOf   index into groups, by particle
     * @param list<string>             $suspects  distinct faults at their places
     * @param list<int>                $suspectOf index into suspects, by particle
     */
    private function __construct(
        public Catalogue $catalogue,
        public Layout $layout,
        public Signature $signature,
        public array $particles,
        public array $groups,
        public array $groupOf,
        public array $suspects,
        public array $suspectOf,
    ) {
    }

    /** @throws StaleSignature when the signature was made for other particles */
    public static function of(Catalogue $catalogue, Layout $layout, Signature $signature): self
    {
        $particles = Particles::of($catalogue, $layout);
        if (\count($particles) !== $signature->particles) {
            throw StaleSignature::particles(\count($particles), $signature->particles);
        }
        $groups = $groupOf = $suspects = $suspectOf = [];
        foreach ($particles as $particle) {
            $suspect = $particle->suspect();
            $suspects[$suspect] ??= \count($suspects);
            $suspectOf[] = $suspects[$suspect];
            $group = $particle->group();
            $at = array_search($group, $groups, true);
            if (!\is_int($at)) {
                $at = \count($groups);
                $groups[] = $group;
            }
            $groupOf[] = $at;
        }

        return new self($catalogue, $layout, $signature, $particles, $groups, $groupOf, array_keys($suspects), $suspectOf);
    }

    /**
     * Catalogue weights times context factors, summing to 1.
     *
     * @param array<string, float> $context factor by part (`hose`), by part at place (`hose@lf`) or by suspect (`air.wheel@lf`); `fitted:caliper@lf` says that the part is new
     *
     * @return list<float>
     */
    public function prior(array $context = []): array
    {
        $weights = [];
        foreach ($this->particles as $particle) {
            $part = $particle->fault->agesWith;
            $fitted = 1.0;
            foreach ($particle->fault->afterFitting as $new => $factor) {
                $fitted *= isset($context['fitted:'.$new.'@'.$particle->place]) || 'vehicle' === $particle->place && isset($context['fitted:'.$new]) ? $factor : 1.0;
            }
            $weights[] = $fitted * $particle->weight * ($context[$part] ?? 1.0) * ($context[$part.'@'.$particle->place] ?? 1.0) * ($context[$particle->suspect()] ?? 1.0);
        }
        $sum = array_sum($weights);

        return array_map(static fn (float $weight): float => $weight / $sum, $weights);
    }

    /** The word that a typed number falls under in this vehicle. */
    public function wordOf(string $check, string $row, float $number): string
    {
        $observer = $this->catalogue->check($check)->rows[$row] ?? throw \Rodrel\Core\InvalidData::at('/'.$check, \sprintf('there is no row "%s"', $row));

        return $observer->wordFor($number, $observer->relativeToSound ? $this->sound($check, $row) : 1.0);
    }

    /** What a sound vehicle of this kind shows, in core units. */
    public function sound(string $check, string $row): float
    {
        return $this->signature->rows[$check.('' === $row ? '' : '/'.$row)]['sound'] ?? 1.0;
    }

    /** @return list<float> likelihood of one row's answer under each particle */
    public function likelihood(string $check, string $row, string $outcome, ?float $number = null): array
    {
        $key = $check.('' === $row ? '' : '/'.$row);
        if (!$this->signature->has($key)) {
            throw \Rodrel\Core\InvalidData::at('/'.$key, 'this vehicle has no such check');
        }

        return null !== $number ? $this->signature->density($key, $number) : $this->signature->column($key, $outcome);
    }
}
