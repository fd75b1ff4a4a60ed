<?php

declare(strict_types=1);

namespace Rodrel\Core\Bleeding;

use Rodrel\Core\Repair\Repairs;
use Rodrel\Core\Vehicle\Layout;
use Rodrel\Core\Vehicle\RearValve;
use Rodrel\Core\Vocabulary\Corner;
use Rodrel\Core\Vocabulary\GroupAt;
use Rodrel\Core\Vocabulary\Place;

/** Which bleeders to open, in which order, and when each is done. */
final readonly class BleedPlan
{
    /** Repairs that let air in between reservoir and modulator. */
    private const UPSTREAM = [
        'master', 'booster', 'modulator', 'bleed-cycled', 'reservoir', 'clutch', 'remote', 'wrong-fluid',
    ];

    /** @param non-empty-list<Corner> $order */
    private function __construct(public array $order)
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

    /** `rr`, or `lf-inner` where a caliper has two bleeders. */
    public static function key(string $corner, string $bleeder): string
    {
        return '' === $bleeder ? $corner : $corner.'-'.$bleeder;
    }

    /**
     * Only what was opened, or everything; opening the master's side opens everything.
     *
     * @param list<Place> $places what was opened
     * @param list<Corner> $own the maker's own order, which goes before every school; wheels it leaves out follow
     */
    public static function of(
        Layout $layout,
        array $places,
        BleedOrder $school = BleedOrder::FarthestFirst,
        array $own = [],
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

        return new self([] !== $order ? $order : Corner::cases());
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
            'shoes-first' => [] !== $drums,
            'load-valve-held' => [] !== $follows,
            'shuttle-centred' => !$layout->pipework->modulator && \count($layout->chambers) > 1,
            'remote-first' => null !== $layout->assist->remote,
            'master-first' => \in_array('master', $repairs, true),
            'cycled' => $layout->pipework->modulator && $upstream,
            'clutch-too' => $layout->pipework->sharedClutch && $upstream,
        ]));
    }

    /**
     * @param list<array{corner: string, bleeder: string, bubbles: string, clear: float, needs: float}> $log needs: what
     *     its method asks for without a bubble
     *
     * @return array<string, bool> done, by `corner` or `corner-inner`, `corner-outer` in order
     */
    public function done(Layout $layout, array $log): array
    {
        $done = [];
        foreach ($this->order as $corner) {
            foreach ($layout->brake($corner)->bleeders() as $bleeder) {
                $key = self::key($corner->value, $bleeder);
                $done[$key] = false;
                foreach ($log as $line) {
                    if (self::key($line['corner'], $line['bleeder']) === $key) {
                        $done[$key] = 'none' === $line['bubbles'] && $line['clear'] >= $line['needs'];
                    }
                }
            }
        }

        return $done;
    }
}
