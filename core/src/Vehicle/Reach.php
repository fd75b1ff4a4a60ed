<?php

declare(strict_types=1);

namespace Rodrel\Core\Vehicle;

use Rodrel\Core\Shape;

/**
 * How far the knowledge reaches into a vehicle, by what applies its brakes: what does not apply on it is neither
 * suspected nor asked. A fault or check names the kinds it applies `on`; without that, those with brake lines.
 */
enum Reach: string
{
    /** The foot, with vacuum or without: all of it. */
    case Foot = 'foot';
    /** An integral unit with pump and accumulator: lines and wheel ends as with the foot, a unit of its own. */
    case Unit = 'unit';
    /** Discs in oil inside the axle, applied by stored pressure: no wheel ends, no lines that are in the model. */
    case WetDiscs = 'wet-discs';
    /** Air chambers at floating discs: wheel ends, chambers and the air itself. */
    case Air = 'air';

    /** Whether fluid in lines from a master moves its wheel ends. */
    public function isHydraulic(): bool
    {
        return self::Foot === $this || self::Unit === $this;
    }

    /** Whether pressure stays stored without a foot or an engine, so that it is let go before anything is opened. */
    public function stores(): bool
    {
        return self::Foot !== $this;
    }

    /** @return list<self> what an entry of the catalogue applies `on` */
    public static function listFrom(Shape $shape): array
    {
        if (!$shape->has('on')) {
            return [self::Foot, self::Unit];
        }
        $on = [];
        foreach ($shape->texts('on') as $id) {
            $on[] = self::tryFrom($id) ?? $shape->miss('on', \sprintf('there is no kind "%s"', $id), self::Foot);
        }

        return [] === $on ? [$shape->miss('on', 'at least one kind is expected', self::Foot)] : $on;
    }
}
