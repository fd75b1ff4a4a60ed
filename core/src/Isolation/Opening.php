<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Fault\Particle;
use Rodrel\Core\Vocabulary\GroupAt;

/** The belief that an epoch starts from: a weight per hypothesis and the mass of "a second fault" that is not named. */
final readonly class Opening
{
    /** A new part is itself faulty this often (estimate; plausible 0.01 to 0.08). */
    private const NEW_PART_FAULTY = 0.03;
    /** The hypothesis that the brakes are sound. */
    private const NOTHING = 'nothing.wrong';
    /** What stays unexplained after a repair beside the named suspects. */
    private const REST = 0.05;
    /** A second fault is there so often where a complaint stands that the first one does not explain (estimate). */
    private const STILL_STANDS = 0.75;

    /**
     * @param non-empty-array<int, float> $weights by hypothesis, composed pairs last; they sum to 1
     * @param float $second share of the composed pairs
     * @param float|null $soundTold chance that the brakes are sound, of vehicles of which the driver says this
     */
    private function __construct(public array $weights, public float $second, public ?float $soundTold = null)
    {
    }

    /**
     * @param float $second how often two faults are there; the pairs among the hypotheses take their part of it
     */
    public static function first(Field $field, Context $context, float $second, ?float $soundTold = null): self
    {
        $prior = $field->prior($context);
        $weights = array_map(static fn (float $w): float => (1.0 - $second) * $w, $prior);
        $named = 0.0;
        foreach (self::pairs($field, $prior) as $weight) {
            $weights[] = $second * $weight;
            $named += $weight;
        }

        return self::filled($field, $context, $weights, $second * max(0.0, 1.0 - $named), $soundTold);
    }

    /** Weight of a vehicle whose brakes are sound. */
    public function sound(Field $field): float
    {
        $nothing = $field->nothing();

        return null === $nothing ? 0.0 : $this->weights[$nothing];
    }

    /**
     * With the composed pairs, and all of it summing to 1.
     *
     * @param array<int, float> $weights of the named hypotheses
     */
    private static function filled(
        Field $field,
        Context $context,
        array $weights,
        float $second,
        ?float $soundTold = null,
    ): self {
        $shares = [];
        foreach ($field->composed as [$i, $j, $weight]) {
            $shares[] = $weight * $context->factor($field->particles[$i]) * $context->factor($field->particles[$j]);
        }
        $sum = array_sum($shares);
        foreach ($shares as $share) {
            $weights[] = $sum > 0.0 ? $second * $share / $sum : 0.0;
        }
        $all = max(1e-300, array_sum($weights));
        $weights = array_map(static fn (float $weight): float => $weight / $all, $weights);

        return new self(
            [] === $weights ? [1.0] : $weights,
            $sum > 0.0 ? $second / $all : 0.0,
            $soundTold,
        );
    }

    /**
     * After a repair: what was replaced is sound but for a small chance; a pair of which one was cured leaves the
     * other;
     * where the finding was right the vehicle is now either sound or shows its second fault; where it was wrong the
     * other suspects stay. Of several parts changed in one visit each is sound now.
     *
     * @param list<GroupAt> $groups all that was changed
     */
    public static function afterRepair(
        Field $field,
        Belief $before,
        array $groups,
        Context $context,
        float $secondAfterRepair,
    ): self {
        $posterior = $before->weights->posterior;
        $changed = array_flip(array_map(strval(...), $groups));
        $isNew = static fn (Particle $one): bool => isset($changed[(string) $one->group]);
        $prior = $field->prior($context);
        $cured = 0.0;
        foreach ($field->particles as $i => $particle) {
            $own = $isNew($particle);
            $cured += $own ? $posterior[$i] ?? 0.0 : 0.0;
        }
        // two faults that nobody could name: one may have been cured, the other may be anything
        // a complaint that the repaired fault does not explain still stands: then there is a second one as a rule
        $unexplained = Testimony::unexplained($before, $groups);
        $secondAfterRepair = null === $unexplained ? $secondAfterRepair : max($secondAfterRepair, self::STILL_STANDS);
        $spread = [];
        foreach ($field->particles as $i => $particle) {
            $spread[$i] = $isNew($particle) ? 0.0 : $prior[$i] * ($unexplained[$i] ?? 1.0);
        }
        $unnamed = $secondAfterRepair * $cured;
        foreach ($field->composed as $n => [$i, $j]) {
            $own = (int) $isNew($field->particles[$i]) + (int) $isNew($field->particles[$j]);
            $unnamed += $own > 0 ? $posterior[$field->named() + $n] ?? 0.0 : 0.0;
        }
        $others = array_sum($spread);
        $weights = [];
        foreach ($field->particles as $i => $particle) {
            $own = $isNew($particle);
            $weights[$i] = $own
                ? self::NEW_PART_FAULTY * ($posterior[$i] ?? 0.0)
                : ($posterior[$i] ?? 0.0) + $unnamed * $spread[$i] / max($others, 1e-12);
            if (self::NOTHING === $particle->fault->id) {
                $weights[$i] += (1.0 - $secondAfterRepair - self::NEW_PART_FAULTY) * $cured;
            }
        }
        $first = \count($field->particles);
        foreach ($field->pairs as $n => [$i, $j]) {
            $mass = $posterior[$first + $n] ?? 0.0;
            $weights[$first + $n] = 0.0;
            $left = array_filter([$i, $j], static fn (int $one): bool => !$isNew($field->particles[$one]));
            if (2 === \count($left)) {
                $weights[$first + $n] = $mass;
            } else {
                foreach ($left as $one) {
                    $weights[$one] += $mass;
                }
            }
        }
        $sum = array_sum($weights);

        return self::filled(
            $field,
            $context,
            array_map(static fn (float $w): float => (1.0 - self::REST) * $w / $sum, $weights),
            self::REST,
        );
    }

    /**
     * How often each pair is the one, given that two faults are there: chance and what they do to each other.
     *
     * @param list<float> $prior of the single faults
     *
     * @return list<float>
     */
    private static function pairs(Field $field, array $prior): array
    {
        if ([] === $field->pairs) {
            return [];
        }
        $suspects = [];
        foreach ($field->particles as $i => $particle) {
            $suspects[(string) $particle->suspect] = ($suspects[(string) $particle->suspect] ?? 0.0) + $prior[$i];
        }
        $all = 0.5 * (1.0 - array_sum(array_map(static fn (float $w): float => $w * $w, $suspects)));
        $parts = [];
        foreach ($field->pairs as [$i, $j]) {
            $name = $field->particles[$i]->suspect.' '.$field->particles[$j]->suspect;
            $parts[$name] = ($parts[$name] ?? 0) + 1;
        }
        $weights = [];
        foreach ($field->pairs as [$i, $j]) {
            [$one, $other] = [$field->particles[$i]->suspect, $field->particles[$j]->suspect];
            $factor = $field->knowledge->pairs->factor($one, $other, $field->layout);
            $both = $suspects[(string) $one] * $suspects[(string) $other] * $factor;
            $weights[] = $both / max(1e-12, $all) / $parts[$one.' '.$other];
        }
        $sum = array_sum($weights);

        return $sum <= 1.0 ? $weights : array_map(static fn (float $w): float => $w / $sum, $weights);
    }
}
