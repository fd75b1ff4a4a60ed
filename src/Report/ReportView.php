<?php

declare(strict_types=1);

namespace App\Report;

use App\Account\UserRepository;
use App\Job\LoadedJob;
use App\Shop\ShopSettings;
use App\Text\Say;
use App\Text\Units;
use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Check\Observer\SignObserver;
use Rodrel\Core\Job\PathTaken;
use Rodrel\Core\Log\Entry;
use Rodrel\Core\Log\Payload\ClosedPayload;
use Rodrel\Core\Log\Payload\FindingPayload;
use Rodrel\Core\Log\Payload\HandoverPayload;
use Rodrel\Core\Log\Payload\LinePayload;
use Rodrel\Core\Log\Payload\RepairedPayload;
use Rodrel\Core\Log\Payload\StepPayload;
use Rodrel\Core\Log\Payload\SurprisePayload;
use Rodrel\Core\Proof\Criterion;
use Rodrel\Core\Vocabulary\StepAt;
use Symfony\Bundle\SecurityBundle\Security;

/** What a report says, on the screen and on paper. */
final readonly class ReportView
{
    public function __construct(
        private UserRepository $users,
        private LogView $log,
        private Say $say,
        private Security $security,
        private ShopSettings $shop,
        private Catalogue $catalogue,
        private Units $units,
    ) {
    }

    /** @param int $mostLines of the log; the rest is named and left to the exports */
    public function of(LoadedJob $loaded, int $mostLines = \PHP_INT_MAX): ReportPage
    {
        $cut = max(0, \count($loaded->log) - $mostLines);
        $story = $loaded->state->story;
        $names = $this->users->names();

        return new ReportPage(
            findings: array_map(
                fn (Entry $entry): array => [
                    'sentence' => $this->say->again($entry->payload->sentence),
                    'signed' => $entry->payload->sentence->sentence,
                    'mass' => $entry->payload->mass,
                    'arguments' => $entry->payload->arguments,
                    'by' => $entry->claim->author ?? ($names[$entry->author] ?? ''),
                    'at' => $entry->takenAt,
                ],
                $this->carriedOut($loaded),
            ),
            repairs: $this->repairs($loaded),
            putOff: array_map(
                fn (LinePayload $line): string => $this->say->work($line->group).': '.$this->say->ui('work.off-line', [
                    'reason' => $line->reason,
                    'until' => '' === $line->until ? 'none' : $line->until,
                ]),
                $story->putOff(),
            ),
            met: array_map(
                fn (Entry $entry): string => $this->say->step($entry->payload->step).': '
                    .(SurprisePayload::OTHER === $entry->payload->surprise
                        ? $entry->payload->note
                        : $this->say->text('surprise.'.$entry->payload->surprise.'.what')),
                $story->entriesOf(SurprisePayload::class),
            ),
            torques: $this->torques($loaded),
            criteria: null === $loaded->state->repaired
                    ? []
                    : array_map(
                        fn (Criterion $c): array => [
                            'name' => $this->say->ui('proof.'.$c->id.'.name'),
                            'status' => $c->status,
                            'reason' => $c->reason,
                        ],
                        $loaded->state->proof->criteria,
                    ),
            countersign: $this->security->isGranted('ROLE_LEAD'),
            items: array_map(
                fn (Entry $entry): array => [
                    'text' => $this->say->item($entry->payload),
                    'due' => $entry->payload->due,
                    'safety' => $entry->payload->safety,
                ],
                $story->openItems(),
            ),
            handedOver: $story->last(HandoverPayload::class),
            closed: $story->last(ClosedPayload::class),
            names: $names,
            log: $this->log->of($loaded, $names, $cut),
            skipped: $cut,
            opened: $loaded->job->openedAt(),
            condition: $this->condition($loaded),
            path: PathTaken::of($loaded->state, $this->shop->isolation()->times),
            job: $loaded->job,
        );
    }

    /** @return list<string> all that was changed, with the kind of part where it was chosen */
    public function repairs(LoadedJob $loaded): array
    {
        $parts = $loaded->state->story->parts();
        $repairs = [];
        foreach ($loaded->state->story->entriesOf(RepairedPayload::class) as $entry) {
            foreach ($entry->payload->groups() as $group) {
                $part = $parts[(string) $group] ?? '';
                $repairs[] = $this->say->work($group).('' === $part ? '' : ' ('.$this->say->ui('option.'.$part).')');
            }
        }

        return $repairs;
    }

    /**
     * What was seen where nobody complains, what is not as it should be first.
     *
     * @return list<array{what: string, said: string, good: bool}>
     */
    private function condition(LoadedJob $loaded): array
    {
        $now = $loaded->state->situation;
        $checks = $loaded->state->catalogue()->checks;
        $condition = [];
        foreach ($now->looksOver($checks) ? $now->readings : [] as $reading) {
            $check = $checks->of($reading->check);
            foreach ($check->role->asked ? [] : $reading->outcomes as $row => $word) {
                $observer = $check->row((string) $row)?->observer;
                $base = $observer instanceof SignObserver ? $observer->base : [];
                $usual = [] === $base
                    ? $observer?->wording->best()
                    : $observer->words()[(int) array_search(max($base), $base, true)];
                $condition[] = [
                    'what' => $this->say->check($reading->check),
                    'said' => $this->say->outcome($reading->check, [$row => $word]),
                    'good' => $word === $usual,
                ];
            }
        }
        usort($condition, static fn (array $a, array $b): int => $a['good'] <=> $b['good']);

        return $condition;
    }

    /** @return list<Entry<FindingPayload>> the findings that a repair followed from, and the one that stands now */
    public function carriedOut(LoadedJob $loaded): array
    {
        $story = $loaded->state->story;
        $sheets = array_map(
            static fn (Entry $entry): string => $entry->payload->sheet,
            $story->entriesOf(RepairedPayload::class),
        );
        $sheets[] = $story->finding()->id ?? '';

        return array_values(
            array_filter(
                $story->entriesOf(FindingPayload::class),
                static fn (Entry $entry): bool => \in_array($entry->id, $sheets, true),
            ),
        );
    }

    /** @return list<array{step: string, figure: string, band: string, outside: bool}> */
    private function torques(LoadedJob $loaded): array
    {
        $torques = [];
        foreach ($loaded->state->story->entriesOf(StepPayload::class) as $entry) {
            $figure = $entry->payload->figure;
            if (null !== $figure) {
                $step = StepAt::done($entry->payload->step);
                $asked = $this->catalogue->repairs->asked($step);
                $own = $loaded->state->story->torques()[$step] ?? null;
                $band = $asked?->band($own);
                $torques[] = [
                    'step' => $this->say->step($entry->payload->step),
                    'figure' => $figure->said(),
                    'band' => null === $asked || null === $band ? '' : $this->say->ui(
                        null === $own ? 'report.band-typical' : 'report.band-own',
                        [
                            'low' => $this->units->figure($band[0], $asked->measures),
                            'high' => $this->units->figure($band[1], $asked->measures),
                            'unit' => $this->units->of($asked->measures)->value,
                        ],
                    ),
                    'outside' => null !== $band && ($figure->core < $band[0] || $figure->core > $band[1]),
                ];
            }
        }

        return $torques;
    }
}
