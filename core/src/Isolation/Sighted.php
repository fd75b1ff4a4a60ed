<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Check\Observer\Sighting;
use Rodrel\Core\Vocabulary\GroupAt;

/**
 * A defect that was seen. Two questions are asked of it, and the complaint has a say in the second alone: does its part
 * need repair, and does it explain what the driver said?
 */
final readonly class Sighted
{
    /** What so many vehicles have whose complaint comes from elsewhere says nothing alone (share; estimate). */
    public const COMMON = 0.05;
    /** The fault of a defect looks so at least this often (share; estimate, 0.3 to 0.7). */
    private const AS_A_RULE = 0.4;

    /**
     * @param GroupAt $group the repair of what is seen
     * @param float $explains belief that it made the complaint
     * @param float $needs belief that it needs repair, whatever made the complaint
     */
    private function __construct(
        public GroupAt $group,
        public Reading $reading,
        public string $row,
        public string $word,
        public Sighting $sighting,
        public float $explains,
        public float $needs,
    ) {
    }

    /** @return list<self> likeliest to explain the complaint first */
    public static function in(Belief $belief): array
    {
        $found = [];
        $field = $belief->field;
        foreach ($belief->readings as $reading) {
            $check = $field->knowledge->checks->of($reading->check);
            foreach ($reading->unsure ? [] : $reading->outcomes as $row => $word) {
                $sighting = $check->row($row)?->observer->sighting($word);
                $group = null === $sighting ? null : self::group($belief, $reading, $row, $word);
                if (null !== $sighting && null !== $group) {
                    $explains = min(1.0, $belief->group($group));
                    $needs = $explains + (1.0 - $explains) * $sighting->isThere();
                    $found[] = new self($group, $reading, $row, $word, $sighting, $explains, $needs);
                }
            }
        }
        usort($found, static fn (self $a, self $b): int => $b->explains <=> $a->explains);

        return $found;
    }

    public function isCause(): bool
    {
        return Sighting::CAUSE === $this->sighting->as;
    }

    /** The likeliest repair among those whose fault looks so as a rule. */
    private static function group(Belief $belief, Reading $reading, string $row, string $word): ?GroupAt
    {
        $field = $belief->field;
        $signature = $field->row($reading->check, $row);
        $at = (int) array_search($word, $signature['words'], true);
        $usual = $signature['table'][0][$at];
        $best = null;
        $most = -1.0;
        foreach ($field->particles as $i => $particle) {
            $chance = $signature['table'][$signature['index'][$i]][$at];
            if ($chance >= self::AS_A_RULE && $chance > 2.0 * $usual && $belief->group($particle->group) > $most) {
                [$best, $most] = [$particle->group, $belief->group($particle->group)];
            }
        }

        return $best;
    }
}
