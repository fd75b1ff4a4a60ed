<?php

declare(strict_types=1);

namespace App\Repair;

use App\History\VehicleHistory;
use App\Job\CameBack;
use App\Job\LoadedJob;
use App\Shop\ShopSettings;
use App\Text\Percent;
use App\Text\Say;
use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Isolation\NeedsRepair;
use Rodrel\Core\Job\Condition;
use Rodrel\Core\Job\Due;
use Rodrel\Core\Log\Payload\LinePayload;
use Rodrel\Core\Repair\PartOption;
use Rodrel\Core\Repair\WorkLine;
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
        private Say $say,
    ) {
    }

    /** What the visit would hold, were this signed; of what is signed where none is given, null where nothing is. */
    public function of(LoadedJob $loaded, ?GroupAt $finding = null): ?WorkList
    {
        $story = $loaded->state->story;
        $finding ??= $story->finding()?->payload->group;
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

    /**
     * As a page shows them.
     *
     * @param list<WorkLine> $lines
     *
     * @return list<array<string, mixed>>
     */
    public function lines(LoadedJob $loaded, array $lines): array
    {
        $rate = $this->shop->isolation()->labour->rateCentsPerMinute;

        return array_map(fn (WorkLine $one): array => [
            'group' => (string) $one->group,
            'name' => $this->say->work($one->group),
            'why' => $one->why,
            'seen' => 'seen' === $one->why ? $this->seen($loaded, $one->group) : '',
            'percent' => Percent::of($one->chance),
            // what the shop does in any case has no odds
            'school' => 1.0 === $one->chance,
            'cents' => $one->cents($rate),
            'minutes' => (int) ceil($one->minutes),
            'part' => $one->part,
            'options' => array_map(
                static fn (PartOption $option): array => [
                    'kind' => $option->kind,
                    'cents' => $option->cents['parts'],
                    'core' => $option->cents['core'],
                    'notIf' => $option->notIf,
                ],
                array_values($this->catalogue->repairs->of($one->group)->options),
            ),
        ], $lines);
    }

    private function seen(LoadedJob $loaded, GroupAt $group): string
    {
        foreach ($loaded->judgement()->needing ?? [] as $one) {
            if ($one->group->is($group)) {
                return $this->say->check($one->check).': '.$this->say->word($one->check, $one->row, $one->word);
            }
        }

        return '';
    }

    /**
     * @param list<WorkLine> $lines
     * @param list<LinePayload> $off
     *
     * @return list<WorkLine>
     */
    public static function notPutOff(array $lines, array $off): array
    {
        return array_values(array_filter(
            $lines,
            static fn (WorkLine $one): bool => [] === array_filter(
                $off,
                static fn (LinePayload $put): bool => $put->group->is($one->group),
            ),
        ));
    }
}
