<?php

declare(strict_types=1);

namespace App\Repair;

use App\History\VehicleHistory;
use App\Job\CameBack;
use App\Job\LoadedJob;
use App\Shop\ShopSettings;
use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Isolation\NeedsRepair;
use Rodrel\Core\Job\Condition;
use Rodrel\Core\Job\Due;
use Rodrel\Core\Repair\WorkList;
use Rodrel\Core\Repair\WorkTerms;
use Rodrel\Core\Vocabulary\GroupAt;
use Rodrel\Core\Vocabulary\Place;

/** The work list of a job: what was found and put in, and what bench, condition report and earlier jobs know. */
final readonly class WorkView
{
    /** How likely what is due by the condition report, or soon, is wanted in this visit (estimates). */
    private const DUE = [Due::Now->value => 0.9, Due::Soon->value => 0.5];
    /** What was mended of late at the place of the finding has come back so often (estimate; 0.1 to 0.3). */
    private const AGAIN = 0.2;

    public function __construct(
        private Catalogue $catalogue,
        private ShopSettings $shop,
        private VehicleHistory $history,
        private CameBack $cameBack,
    ) {
    }

    /** Null without a signed finding. */
    public function of(LoadedJob $loaded): ?WorkList
    {
        $story = $loaded->state->story;
        $finding = $story->finding()?->payload->group;
        if (null === $finding) {
            return null;
        }
        $said = [];
        foreach ($story->lines() as $line) {
            $said[(string) $line->group] = $line->why;
        }

        return WorkList::of(
            $this->catalogue->repairs,
            $this->catalogue->faults->repairsIn($loaded->layout),
            $finding,
            $said,
            $this->known($loaded, $finding),
            $loaded->state->situation->readings,
            new WorkTerms(
                $loaded->layout,
                $this->shop->isolation()->labour,
                $this->shop->practice(),
                $story->parts(),
            ),
        );
    }

    /** @return list<array{group: GroupAt, why: string, chance: float}> */
    private function known(LoadedJob $loaded, GroupAt $finding): array
    {
        $known = array_map(
            static fn (NeedsRepair $one): array => ['group' => $one->group, 'why' => 'seen', 'chance' => $one->chance],
            $loaded->judgement()->needing ?? [],
        );
        $there = $this->catalogue->faults->repairsIn($loaded->layout);
        $measured = $this->history->measurements($loaded->job->vehicleId());
        foreach (Condition::of($this->catalogue, $loaded->state, $measured) as $line) {
            $chance = self::DUE[$line->due->value] ?? 0.0;
            $corner = $line->figures->corner ?? $line->check?->place->corner();
            $places = null === $corner ? [Place::VEHICLE] : [$corner->value, Place::axleOf($corner)->id];
            foreach (0.0 === $chance ? [] : $places as $place) {
                $group = GroupAt::of($line->repair ?? '', Place::of($place));
                if (isset($there[(string) $group])) {
                    $known[] = ['group' => $group, 'why' => 'condition', 'chance' => $chance];
                    break;
                }
            }
        }
        foreach ($this->cameBack->repairs($loaded) as $group) {
            if (isset($there[(string) $group]) && $loaded->layout->reaches($group->place, $finding->place)) {
                $known[] = ['group' => $group, 'why' => 'again', 'chance' => self::AGAIN];
            }
        }

        return $known;
    }
}
