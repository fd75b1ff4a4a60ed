<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Vocabulary\CheckAt;
use Rodrel\Core\Vocabulary\GroupAt;

/**
 * Whether a finding is confirmed: a check of its own family spoke for it, and another reading raised it. Before the
 * system is opened or a dear part is bought it must have spoken clearly, and no reading may carry the finding alone.
 */
final readonly class Confirmation
{
    /** A confirming reading speaks for it at least so (likelihood ratio; handbook). */
    private const SPEAKS_FOR = 2.0;
    /** And so before the system is opened or the part is dear (handbook). */
    private const SPEAKS_CLEARLY = 5.0;
    /** Without the lone reading less than this is left of the belief. */
    private const CARRIES = 0.5;

    /**
     * @param bool $wanted the system is opened, or the part is dear
     * @param Reading|null $lone the reading that carries it alone, where it was taken once and can be taken again
     * @param Reading|null $against what its own check says against it, likewise
     */
    private function __construct(
        public bool $given,
        public bool $wanted,
        public ?Reading $lone,
        public ?Reading $against,
    ) {
    }

    /** @param list<CheckAt> $confirming */
    public static function of(Belief $belief, Settings $settings, GroupAt $group, array $confirming): self
    {
        $wanted = self::isWanted($belief->field, $settings, $group);
        $enough = $wanted ? self::SPEAKS_CLEARLY : self::SPEAKS_FOR;
        $own = $raised = $against = null;
        foreach (Explanation::of($belief, $group) as $argument) {
            $check = $argument->reading->check;
            $family = [] !== array_filter($confirming, static fn (CheckAt $one): bool => $one->is($check));
            if (null === $own && $family && $argument->ratio >= $enough) {
                $own = $argument;
            } elseif ($argument->ratio >= self::SPEAKS_FOR) {
                $raised ??= $argument;
            } elseif ($family && $argument->ratio <= 1.0 / self::SPEAKS_FOR && self::canBeAgain($belief, $argument)) {
                $against ??= $argument->reading;
            }
        }
        $given = null !== $own && (null !== $raised || ($own->reading->times > 1 && !$own->reading->isTorn()));

        return new self($given, $wanted, $wanted ? self::lone($belief, $group) : null, $against);
    }

    private static function canBeAgain(Belief $belief, Argument $argument): bool
    {
        $check = $belief->field->knowledge->checks->of($argument->reading->check);

        return $argument->reading->bearsAnother() && $check->canBeRepeated(false);
    }

    /** Opening the system, or buying a part over the shop's limit. */
    private static function isWanted(Field $field, Settings $settings, GroupAt $group): bool
    {
        $cures = $field->knowledge->cures;
        $parts = $settings->prices[$group->id]['parts_cents'] ?? $cures->partsCents($group);

        return $cures->opensSystem($group) || $parts > $settings->confirmAboveCents;
    }

    /** What a single slip would have made of it. */
    private static function lone(Belief $belief, GroupAt $group): ?Reading
    {
        foreach ($belief->readings as $n => $reading) {
            $check = $belief->field->knowledge->checks->of($reading->check);
            $without = $belief->groupsWithout($n)[(string) $group] ?? 0.0;
            if ($reading->bearsAnother() && $check->canBeRepeated(false) && $without < self::CARRIES) {
                return $reading;
            }
        }

        return null;
    }
}
