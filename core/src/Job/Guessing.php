<?php

declare(strict_types=1);

namespace Rodrel\Core\Job;

use Rodrel\Core\Isolation\Belief;
use Rodrel\Core\Isolation\Costs;
use Rodrel\Core\Isolation\Pair;
use Rodrel\Core\Isolation\Settings;
use Rodrel\Core\Vocabulary\GroupAt;

/**
 * What the job would have cost without a check: what is likeliest for such a complaint is replaced first, then the
 * next, until the vehicle is cured. Comebacks in between are not counted, nor what a customer thinks of them.
 */
final readonly class Guessing
{
    private const NOTHING = 'none';

    /**
     * @param list<GroupAt> $replaced in their order, what cured the vehicle last
     * @param float $cents parts, labour and fluid of all of them (minor units)
     */
    private function __construct(public array $replaced, public float $cents)
    {
    }

    /**
     * @param Belief $told from what the driver said alone
     *
     * @return self|null null where what cured the vehicle is none of what was thought of
     */
    public static function of(Belief $told, GroupAt $cured, Settings $settings): ?self
    {
        $replaced = [];
        $cents = 0.0;
        foreach (array_keys($told->groups) as $name) {
            $group = Pair::is($name) ? null : GroupAt::parse($name);
            if (null === $group || self::NOTHING === $group->id) {
                continue;
            }
            $replaced[] = $group;
            $cents += Costs::ofGroup($told->field->knowledge->cures, $settings, $group);
            if ($group->is($cured)) {
                return new self($replaced, $cents);
            }
        }

        return null;
    }
}
