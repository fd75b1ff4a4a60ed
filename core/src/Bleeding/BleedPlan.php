<?php

declare(strict_types=1);

namespace Rodrel\Core\Bleeding;

use Rodrel\Core\Repair\Repairs;
use Rodrel\Core\Vehicle\Layout;
use Rodrel\Core\Vehicle\Reach;
use Rodrel\Core\Vehicle\RearValve;
use Rodrel\Core\Vocabulary\Corner;
use Rodrel\Core\Vocabulary\GroupAt;
use Rodrel\Core\Vocabulary\Place;

/** Which bleeders to open, in which order, and when each is done. */
final readonly class BleedPlan
{
    /** Repairs after which no old fluid stays. */
    private const THROUGHOUT = ['flush', 'wrong-fluid', 'bleed-cycled', 'modulator'];
    /** Repairs that let air in between reservoir and modulator. */
    private const UPSTREAM = [
        'master', 'booster', 'modulator', 'bleed-cycled', 'reservoir', 'clutch', 'remote', 'wrong-fluid',
    ];

    /**
     * @param non-empty-list<Corner> $order wheels
     * @param non-empty-list<BleedPoint> $points every bleeder, in order
     */
    private function __construct(public array $order, public array $points)
    {
    }

    /**
     * What the run begins from: where each part was opened, the whole vehicle where one of them wants that.
     *
     * @param list<GroupAt> $changed in the visit
     *
     * @return list<Place> none where nothing has to be bled
     */
    public static function opened(Repairs $repairs, array $changed): array
    {
        $places = [];
        foreach ($changed as $group) {
            $bleeds = $repairs->of($group)->opening->bleeds;
            if ('none' !== $bleeds) {
                $places[] = 'all' === $bleeds ? Place::vehicle() : $group->place;
            }
        }

        return $places;
    }

    /**
     * Only what was opened, or everything; opening the master's side opens everything.
     *
     * @param list<Place> $places what was opened
     * @param list<Corner> $own the maker's own order, which goes before every school; wheels it leaves out follow
     * @param list<string> $repairs ids of what was repaired: a line booster is bled first, a shared clutch last
     */
    public static function of(
        Layout $layout,
        array $places,
        BleedOrder $school = BleedOrder::FarthestFirst,
        array $own = [],
        array $repairs = [],
    ): self {
        $order = [];
        $wheels = array_values(
            array_filter($school->wheels($layout), static fn (Corner $corner): bool => !\in_array($corner, $own, true)),
        );
        foreach ([...$own, ...$wheels] as $corner) {
            if ([] !== array_filter($places, static fn (Place $one): bool => $one->covers(Place::at($corner)))) {
                $order[] = $corner;
            }
        }

        $order = [] !== $order ? $order : Corner::cases();

        return new self($order, self::points($layout, $order, [] !== array_intersect($repairs, self::UPSTREAM)));
    }

    /**
     * @param non-empty-list<Corner> $order
     * @param bool $upstream air can have come in before the wheels
     *
     * @return non-empty-list<BleedPoint>
     */
    private static function points(Layout $layout, array $order, bool $upstream): array
    {
        $points = $upstream && null !== $layout->assist->remote
            ? [new BleedPoint('remote', 'slave'), new BleedPoint('remote', 'valve')]
            : [];
        foreach ($order as $corner) {
            foreach ($layout->brake($corner)->bleeders() as $bleeder) {
                $points[] = new BleedPoint($corner->value, $bleeder);
            }
        }
        if ($upstream && $layout->pipework->sharedClutch) {
            $points[] = new BleedPoint('clutch', '');
        }

        return $points;
    }

    /** Fresh fluid throughout, where one of the lines asks for it; else what was opened is cleared. */
    public static function purpose(string ...$repairs): string
    {
        return [] === array_intersect($repairs, self::THROUGHOUT) ? 'opened' : 'renew';
    }

    /**
     * What this vehicle wants before and beside its wheels, as keys of sentences.
     *
     * @param list<string> $repairs what was repaired
     *
     * @return list<string>
     */
    public static function asks(Layout $layout, array $repairs): array
    {
        $drums = array_filter(Corner::cases(), static fn (Corner $corner): bool => !$layout->brake($corner)->disc);
        $follows = array_filter($layout->pipework->valves, static fn (RearValve $valve): bool => $valve->followsLoad);
        $upstream = [] !== array_intersect($repairs, self::UPSTREAM);

        return array_keys(array_filter([
            'shoes-first' => $layout->reach()->isHydraulic() && [] !== $drums,
            'load-valve-held' => [] !== $follows,
            'shuttle-centred' => Reach::Foot === $layout->reach()
                && !$layout->pipework->modulator
                && \count($layout->chambers) > 1,
            'axle-powered' => Reach::WetDiscs === $layout->reach(),
            'remote-first' => null !== $layout->assist->remote,
            'master-first' => \in_array('master', $repairs, true),
            'cycled' => $layout->pipework->modulator && $upstream,
            'clutch-too' => $layout->pipework->sharedClutch && $upstream,
        ]));
    }

    /**
     * @param list<array{key: string, bubbles: string, clear: float, needs: float}> $log key: of the bleeder; needs:
     *     what its method asks for without a bubble
     *
     * @return array<string, bool> done, by key of the bleeder, in order
     */
    public function done(array $log): array
    {
        $done = [];
        foreach ($this->points as $point) {
            $done[$point->key()] = false;
            foreach ($log as $line) {
                if ($line['key'] === $point->key()) {
                    $done[$point->key()] = 'none' === $line['bubbles'] && $line['clear'] >= $line['needs'];
                }
            }
        }

        return $done;
    }
}
