<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Vocabulary\GroupAt;

/** The belief that an epoch starts from: a weight per particle and the mass of "a second fault". */
final readonly class Opening
{
    /** A new part is itself faulty this often (estimate; plausible 0.01 to 0.08). */
    private const NEW_PART_FAULTY = 0.03;
    /** The hypothesis that the brakes are sound. */
    private const NOTHING = 'nothing.wrong';
    /** What stays unexplained after a repair beside the named suspects. */
    private const REST = 0.05;

    /** @param array<int, float> $weights by particle, summing to 1 − $second */
    private function __construct(public array $weights, public float $second)
    {
    }

    public static function first(Field $field, Context $context, float $second): self
    {
        return new self(
            array_map(static fn (float $w): float => (1.0 - $second) * $w, $field->prior($context)),
            $second,
        );
    }

    /**
     * After a repair: what was replaced is sound but for a small chance; where the finding was right the
     * vehicle is now either sound or shows its second fault; where it was wrong the other suspects stay.
     */
    public static function afterRepair(
        Field $field,
        Belief $before,
        GroupAt $group,
        Context $context,
        float $secondAfterRepair,
    ): self {
        $cured = $before->group($group);
        $prior = $field->prior($context);
        $others = 0.0;
        foreach ($prior as $i => $p) {
            $others += $field->particles[$i]->group->is($group) ? 0.0 : $p;
        }
        $weights = [];
        foreach ($field->particles as $i => $particle) {
            $own = $particle->group->is($group);
            $weights[$i] = $own
                ? self::NEW_PART_FAULTY * $before->weights->posterior[$i]
                : $before->weights->posterior[$i] + ($secondAfterRepair * $cured * $prior[$i]) / max($others, 1e-12);
            if (self::NOTHING === $particle->fault->id) {
                $weights[$i] += (1.0 - $secondAfterRepair - self::NEW_PART_FAULTY) * $cured;
            }
        }
        $sum = array_sum($weights);

        return new self(
            array_map(static fn (float $w): float => ((1.0 - self::REST) * $w) / $sum, $weights),
            self::REST,
        );
    }
}
