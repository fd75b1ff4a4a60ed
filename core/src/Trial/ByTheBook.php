<?php

declare(strict_types=1);

namespace Rodrel\Core\Trial;

use Rodrel\Core\Isolation\Verdict;
use Rodrel\Core\Vocabulary\CheckAt;

/** The order in which practitioners work, whatever was read: listen, look, pedal, drive, spin, trap, joints, wheel. */
final readonly class ByTheBook implements Policy
{
    /** Checks in the order of the nine steps (handbook). */
    private const ORDER = [
        'heat-arrival', 'smell', 'look',
        'pedal', 'pump', 'engine', 'reservoir', 'booster-gauge',
        'pull', 'lock-up', 'heat-loop', 'brake-loop', 'roller', 'dust',
        'spin', 'spin-later', 'spin-series', 'free-after', 'break-free',
        'bleeder-open',
        'hose-look', 'hose-feel', 'pipe-look', 'hose-top', 'modulator-outlet', 'master-outlet', 'relay-out', 'master-eased',
        'parking-slack', 'lever-stop', 'service-mode', 'bearing', 'pins', 'push-back', 'wear', 'caliper-look',
        'pads-look', 'shoe-clearance', 'drum-look', 'hat-look', 'chalk', 'line-runs', 'gauge', 'limits',
    ];

    public static function id(): string
    {
        return 'by-the-book';
    }

    public function next(Play $play, Verdict $verdict): ?CheckAt
    {
        $possible = [];
        foreach ($play->possible() as $at) {
            $possible[$at->id][] = $at;
        }
        foreach (self::ORDER as $id) {
            foreach ($possible[$id] ?? [] as $at) {
                if ($play->concerns($at)) {
                    return $at;
                }
            }
        }
        foreach (self::ORDER as $id) {
            foreach ($possible[$id] ?? [] as $at) {
                return $at;
            }
        }

        return null;
    }
}
