<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Fault\Particle;
use Rodrel\Core\Fault\Particles;
use Rodrel\Core\InvalidData;
use Rodrel\Core\Prediction\FaultSignature;
use Rodrel\Core\Prediction\Signature;
use Rodrel\Core\Prediction\StaleSignature;
use Rodrel\Core\Vehicle\Layout;
use Rodrel\Core\Vehicle\Places;
use Rodrel\Core\Vocabulary\CheckAt;
use Rodrel\Core\Vocabulary\GroupAt;
use Rodrel\Core\Vocabulary\SuspectAt;

/**
 * All that can be believed about one layout: its particles, their groups and what they predict.
 *
 * @phpstan-import-type PredictedRow from Signature
 */
final readonly class Field
{
    /** Of two that differ by rounding alone the first counts: in which order was added decides nothing. */
    private const AS_LIKELY = 1.0 - 1e-9;

    /** The group of a vehicle whose brakes are sound. */
    public const NOTHING = 'none@vehicle';
    /** What so many vehicles without a fault show is nothing odd (share; estimate, 0.1 to 0.3). */
    private const OFTEN = 0.15;

    /** @var list<array{int, int, float}> pairs that nobody named, and their weight: the last hypotheses */
    public array $composed;

    /**
     * @param non-empty-list<Particle> $particles single faults: the first hypotheses
     * @param list<array{int, int}> $pairs two of them together: the hypotheses after those
     * @param Index $groups repair group of each named hypothesis, of a pair both
     * @param Index $suspects fault at its place of each named hypothesis, of a pair both
     */
    private function __construct(
        public Knowledge $knowledge,
        public Layout $layout,
        public Signature $signature,
        public array $particles,
        public array $pairs,
        public Index $groups,
        public Index $suspects,
    ) {
        $this->composed = Composed::of($particles, $pairs);
    }

    /** @throws StaleSignature when the signature was made for other particles */
    public static function of(Knowledge $knowledge, Layout $layout, Signature $signature): self
    {
        $particles = Particles::of($knowledge->faults, $layout);
        if ([] === $particles || \count($particles) !== $signature->particles) {
            throw StaleSignature::particles(\count($particles), $signature->particles);
        }

        return self::with($knowledge, $layout, $signature, $particles, []);
    }

    /**
     * With pairs of faults beside the single ones.
     *
     * @param list<array{SuspectAt, SuspectAt}> $pairs
     * @param list<FaultSignature> $signatures of each
     */
    public function withPairs(array $pairs, array $signatures): self
    {
        $indices = [];
        foreach ($pairs as [$one, $other]) {
            $second = $this->few($other);
            foreach ($this->few($one) as $i) {
                foreach ($second as $j) {
                    $indices[] = [$i, $j];
                }
            }
        }

        return self::with(
            $this->knowledge,
            $this->layout,
            $this->signature->with($signatures),
            $this->particles,
            $indices,
        );
    }

    /**
     * @param non-empty-list<Particle> $particles
     * @param list<array{int, int}> $pairs
     */
    private static function with(
        Knowledge $knowledge,
        Layout $layout,
        Signature $signature,
        array $particles,
        array $pairs,
    ): self {
        $groups = array_map(static fn (Particle $one): string => (string) $one->group, $particles);
        $suspects = array_map(static fn (Particle $one): string => (string) $one->suspect, $particles);
        foreach ($pairs as [$i, $j]) {
            $groups[] = Pair::of($groups[$i], $groups[$j]);
            $suspects[] = Pair::of($suspects[$i], $suspects[$j]);
        }

        return new self(
            $knowledge,
            $layout,
            $signature,
            $particles,
            $pairs,
            Index::of($groups),
            Index::of($suspects),
        );
    }

    /** The hypothesis that nothing is wrong; null where the field has none. */
    public function nothing(): ?int
    {
        return $this->groups->members(self::NOTHING)[0] ?? null;
    }

    /** What a row most often says of a vehicle without any fault. */
    public function usual(string $row): string
    {
        $signature = $this->signature->rows[$row] ?? throw InvalidData::at('/'.$row, 'this vehicle has no such check');
        $nothing = $this->nothing();
        $chances = $signature['table'][null === $nothing ? 0 : $signature['index'][$nothing]];

        return $signature['words'][(int) array_search(max($chances), $chances, true)];
    }

    /** Whether a vehicle without any fault often enough says that. */
    public function isUsual(string $row, string $word): bool
    {
        if ($word === $this->usual($row)) {
            return true;
        }
        $signature = $this->signature->rows[$row];
        $nothing = $this->nothing();
        $chances = $signature['table'][null === $nothing ? 0 : $signature['index'][$nothing]];

        return $chances[(int) array_search($word, $signature['words'], true)] >= self::OFTEN;
    }

    /** How many hypotheses are named: single faults, and pairs that were simulated. */
    public function named(): int
    {
        return \count($this->particles) + \count($this->pairs);
    }

    /**
     * The two single faults of a composed pair.
     *
     * @return array{int, int}|null null where the hypothesis is a named one
     */
    public function two(int $hypothesis): ?array
    {
        [$one, $other] = $this->composed[$hypothesis - $this->named()] ?? [null, null];

        return null === $one || null === $other ? null : [$one, $other];
    }

    /**
     * With each pair that nobody named counted for the likelier of its two alone: of the other nothing is known.
     *
     * @param array<int, float> $posterior by hypothesis
     *
     * @return array<int, float> of the named hypotheses
     */
    public function folded(array $posterior): array
    {
        $named = $this->named();
        if ([] === $posterior || array_key_last($posterior) < $named) {
            return $posterior;
        }
        foreach ($this->composed as $n => [$one, $other]) {
            $weight = $posterior[$named + $n] ?? 0.0;
            if ($weight > 0.0) {
                $first = ($posterior[$one] ?? 0.0) >= ($posterior[$other] ?? 0.0) * self::AS_LIKELY;
                $likelier = $first ? $one : $other;
                $posterior[$likelier] = ($posterior[$likelier] ?? 0.0) + $weight;
            }
            unset($posterior[$named + $n]);
        }

        return $posterior;
    }

    /** @return list<int> the few severities of a suspect that stand for it in pairs */
    private function few(SuspectAt $suspect): array
    {
        $members = $this->suspects->members((string) $suspect);
        $own = array_map(fn (int $i): Particle => $this->particles[$i], $members);

        return [] === $own ? [] : array_map(static fn (int $pick): int => $members[$pick], Particles::picks($own));
    }

    /**
     * Catalogue weights of the single faults times context factors, summing to 1.
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

    /**
     * What is predicted for one row.
     *
     * @return PredictedRow
     */
    public function row(CheckAt $check, string $row): array
    {
        $key = $check->row($row);

        return $this->signature->rows[$key] ?? throw InvalidData::at('/'.$key, 'this vehicle has no such check');
    }

    /**
     * @param array<int, float> $weights by hypothesis
     *
     * @return array<string, float> sum by repair group, heaviest first; a pair counts for both of its groups
     */
    public function byGroup(array $weights): array
    {
        $sums = $this->groupSums($weights);
        arsort($sums);

        return $sums;
    }

    /**
     * @param array<int, float> $weights by hypothesis
     *
     * @return array<string, float> the same in no order
     */
    public function groupSums(array $weights): array
    {
        $sums = $this->groups->sums($this->folded($weights));

        return self::apart($sums);
    }

    /**
     * @param array<int, float> $weights by hypothesis
     *
     * @return array<string, float> sum by fault at place, heaviest first; a pair counts for both of its faults
     */
    public function bySuspect(array $weights): array
    {
        $sums = self::apart($this->suspects->sums($this->folded($weights)));
        arsort($sums);

        return $sums;
    }

    /** @return array<int, true> hypotheses, pairs among them, that a group's repair touches */
    public function membersOf(GroupAt $group): array
    {
        $members = [];
        foreach ($this->groups->names as $name) {
            if (\in_array((string) $group, Pair::names($name), true)) {
                $members += array_fill_keys($this->groups->members($name), true);
            }
        }

        return $members;
    }

    /**
     * @param array<string, float> $sums by name, pairs joined
     *
     * @return array<string, float> a pair counts for both
     */
    public static function apart(array $sums): array
    {
        $apart = [];
        foreach ($sums as $name => $sum) {
            foreach (Pair::names($name) as $one) {
                $apart[$one] = ($apart[$one] ?? 0.0) + $sum;
            }
        }

        return $apart;
    }

    /** What is looked at: a hose that feeds two wheels is one thing, seen from either. */
    public function same(CheckAt $at): string
    {
        $check = $this->knowledge->checks->of($at);
        $corner = $at->place->corner();
        $hose = Places::HoseCorner === $check->places->kind && null === $check->demand->wake->opens && null !== $corner;

        return $hose ? (string) CheckAt::of($at->id, $this->layout->hoseOf($corner)) : (string) $at;
    }

    /** What is one act for the vehicle or a circuit, at whichever wheel it is read: the master eased off, say. */
    public function act(CheckAt $at): string
    {
        $corner = $at->place->corner();

        return match ($this->knowledge->checks->of($at)->places->oneAct) {
            'vehicle' => $at->id,
            'circuit' => null === $corner ? (string) $at : $at->id.' '.$this->layout->chamberOf($corner)->id,
            default => $this->same($at),
        };
    }

    /** The group that a suspect belongs to. */
    public function groupOf(SuspectAt $suspect): GroupAt
    {
        return $this->knowledge->faults->of($suspect)->cure->groupFor($suspect->place);
    }
}
