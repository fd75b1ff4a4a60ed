<?php

declare(strict_types=1);

namespace Rodrel\Core\Check;

use Rodrel\Core\Physics\Effects;
use Rodrel\Core\Physics\Targets;
use Rodrel\Core\Vehicle\Layout;
use Rodrel\Core\Vocabulary\TargetAt;

/**
 * Nothing passes a rung of the ladder: both master ports, the modulator's outlets, or the pipes' ends at the hoses.
 * What lies behind it is not asked any more, so that vehicles that differ only there are one.
 */
final class Plugs
{
    /** What a plug shuts, by rung. */
    private const SHUTS = ['master' => 'master-line', 'modulator' => 'pipe', 'hose' => 'hose'];
    /** What lies behind it, with what is shut itself: of the rung, and of those below it. */
    private const BEHIND = [
        'master' => ['master-line', 'main-pipe', 'modulator-inlet', 'inlet-valve', 'modulator'],
        'modulator' => ['pipe', 'hose-top', 'rear-valve', 'metering'],
        'hose' => ['hose', 'axle-pipe', 'wheel', 'brake'],
    ];

    /** @var array<string, Effects> by rung */
    private array $plugs = [];

    public function __construct(private readonly Layout $layout)
    {
    }

    /** A vehicle with plugs in a rung. */
    public function in(string $at, Effects $effects): Effects
    {
        $before = $effects->without(self::behind($at));
        $plugs = $this->plugs[$at] ??= $this->plugs($at);

        return $before->isNone() ? $plugs : $before->with($plugs);
    }

    /** @return list<string> */
    private static function behind(string $at): array
    {
        $rungs = \array_slice(self::BEHIND, (int) array_search($at, array_keys(self::BEHIND), true));

        return array_merge(...array_values($rungs));
    }

    private function plugs(string $at): Effects
    {
        $plugs = Effects::none();
        foreach (Targets::placesOf(self::SHUTS[$at], $this->layout) as $place) {
            foreach (['gf', 'gr'] as $way) {
                $plugs = $plugs->with(Effects::single(TargetAt::of(self::SHUTS[$at], $place), $way, 0.0));
            }
        }
        // where a piston stands before a press does not tell in a chamber that takes nothing
        foreach ('master' === $at ? $this->layout->chambers : [] as $chamber) {
            foreach (['rest', 'start'] as $parameter) {
                $plugs = $plugs->with(Effects::single(TargetAt::of('chamber', $chamber->id), $parameter, 0.0));
            }
        }

        return $plugs;
    }
}
