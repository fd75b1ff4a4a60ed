<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Fault\Particle;
use Rodrel\Core\Fault\Particles;
use Rodrel\Core\InvalidData;
use Rodrel\Core\Prediction\Signature;
use Rodrel\Core\Prediction\StaleSignature;
use Rodrel\Core\Vehicle\Layout;
use Rodrel\Core\Vocabulary\CheckAt;
use Rodrel\Core\Vocabulary\GroupAt;
use Rodrel\Core\Vocabulary\SuspectAt;

/** All that can be believed about one layout: its particles, their groups and what they predict. */
final readonly class Field
{
    /**
     * @param non-empty-list<Particle> $particles
     * @param Index $groups repair group of each particle
     * @param Index $suspects fault at its place of each particle
     */
    private function __construct(
        public Knowledge $knowledge,
        public Layout $layout,
        public Signature $signature,
        public array $particles,
        public Index $groups,
        public Index $suspects,
    ) {
    }

    /** @throws StaleSignature when the signature was made for other particles */
    public static function of(Knowledge $knowledge, Layout $layout, Signature $signature): self
    {
        $particles = Particles::of($knowledge->faults, $layout);
        if ([] === $particles || \count($particles) !== $signature->particles) {
            throw StaleSignature::particles(\count($particles), $signature->particles);
        }

        return new self(
            $knowledge,
            $layout,
            $signature,
            $particles,
            Index::of(array_map(static fn (Particle $particle): string => (string) $particle->group, $particles)),
            Index::of(array_map(static fn (Particle $particle): string => (string) $particle->suspect, $particles)),
        );
    }

    /**
     * Catalogue weights times context factors, summing to 1.
     *
     * @return list<float>
     */
    public function prior(Context $context): array
    {
        $weights = array_map(
            static fn (Particle $particle): float => $particle->weight * $context->factor($particle),
            $this->particles,
        );
        $sum = array_sum($weights);

        return array_map(static fn (float $weight): float => $weight / $sum, $weights);
    }

    /** @return list<float> likelihood of one row's answer under each particle */
    public function likelihood(CheckAt $check, string $row, string $outcome, ?float $number = null): array
    {
        $key = $check->row($row);
        if (!$this->signature->has($key)) {
            throw InvalidData::at('/'.$key, 'this vehicle has no such check');
        }

        return null !== $number ? $this->signature->density($key, $number) : $this->signature->column($key, $outcome);
    }

    /** The group that a suspect belongs to. */
    public function groupOf(SuspectAt $suspect): GroupAt
    {
        return $this->knowledge->faults->of($suspect)->cure->groupFor($suspect->place);
    }
}
