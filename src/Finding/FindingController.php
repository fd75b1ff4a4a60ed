<?php

declare(strict_types=1);

namespace App\Finding;

use App\Bench\SuspectView;
use App\Job\Job;
use App\Job\LoadedJob;
use App\Job\RendersJob;
use App\Repair\WorkView;
use App\Shop\ShopSettings;
use App\Text\Percent;
use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Isolation\CitedReading;
use Rodrel\Core\Isolation\Costs;
use Rodrel\Core\Isolation\Hinge;
use Rodrel\Core\Isolation\Judgement;
use Rodrel\Core\Job\PathTaken;
use Rodrel\Core\Log\Payload\QuotePayload;
use Rodrel\Core\Repair\PartOption;
use Rodrel\Core\Repair\Repair;
use Rodrel\Core\Repair\Scope;
use Rodrel\Core\Vocabulary\GroupAt;
use Rodrel\Core\Vocabulary\Part;
use Rodrel\Core\Vocabulary\SuspectAt;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** The sentence to defend: evidence for and against, what else it could be, repair now against one more check. */
final class FindingController extends RendersJob
{
    /** A fault believed in less than this spoils nothing yet (share of belief; estimate). */
    private const BELIEVED_FROM = 0.01;
    /** More stand on the work list. */
    private const OFFERED = 4;

    public function __construct(
        private readonly SuspectView $suspects,
        private readonly WorkView $work,
        private readonly ShopSettings $shop,
        private readonly Catalogue $catalogue,
    ) {
    }

    #[Route('/jobs/{id:job}/finding', name: 'job_finding', methods: ['GET'])]
    public function __invoke(Job $job, Request $request): Response
    {
        $loaded = ($this->readJob)($job);
        $judgement = $loaded->judgement();
        $signed = $loaded->state->story->finding();
        $rows = null === $judgement ? [] : $this->suspects->of($judgement);
        $first = null !== $signed ? (string) $signed->payload->group : (string) ($rows[0]['group'] ?? '');
        $named = $request->query->getString('group', $first);
        $chosen = null;
        foreach ($rows as $row) {
            $chosen = $row['group'] === $named ? $row : $chosen;
        }
        $all = $this->catalogue->faults->repairsIn($loaded->layout);
        if (null === $chosen && null !== $judgement && isset($all[$named])) {
            $chosen = $this->suspects->other($judgement, $all[$named]);
        }
        if (null === $judgement || null === $chosen || [] === $rows) {
            return $this->page('finding/waiting.html.twig', $loaded, 'finding');
        }
        $group = GroupAt::parse($chosen['group']);
        $advice = $judgement->advice;
        [$able, $lacking] = [[], []];
        foreach ($advice->others as $other) {
            [] === $other->lacks() ? $able[] = $other : array_push($lacking, ...$other->lacks());
        }
        $next = $advice->next ?? $able[0] ?? null;
        $settings = $this->shop->isolation();
        $repair = $this->catalogue->repairs->of($group);
        $pair = $this->shop->practice()->pairs;

        return $this->page('finding/finding.html.twig', $loaded, 'finding', new FindingPage(
            sentence: $this->say->finding($group, $this->say->leading($judgement, $group)),
            do: $this->say->text('repair.'.$group->id.'.do'),
            nowhere: 'elsewhere' === $repair->drawn,
            chosen: $chosen,
            spoils: implode(
                ', ',
                array_map(
                    fn (string $part): string => $this->say->text('part.'.$part),
                    $this->spoiled($judgement, $group),
                ),
            ),
            leads: $rows[0]['group'] === $chosen['group'],
            rows: $rows,
            second: $judgement->second,
            confirmed: $advice->confirmed,
            contradiction: null !== $advice->again,
            next: $next,
            nextName: null === $next ? null : $this->say->check($next->at),
            lacks: array_map(fn (string $tool): string => $this->say->ui('tool.'.$tool), array_unique($lacking)),
            cost: Costs::ofGroup($this->catalogue->repairs, $settings, $group),
            expected: $judgement->margins->expectedCents,
            truth: $judgement->margins->truthCents,
            repair: $repair,
            scope: $this->scope($loaded, $group, $pair),
            pair: $pair,
            sides: $repair->opening->pair
                            ? [
                                'one' => $this->scope($loaded, $group, false)->baseCents,
                                'pair' => $this->scope($loaded, $group, true)->baseCents,
                            ]
                            : null,
            options: $this->options($repair),
            common: $this->suspects->commonCauses($judgement),
            rate: $settings->labour->rateCentsPerMinute,
            signed: $signed,
            path: null === $signed ? null : PathTaken::of($loaded->state, $settings->times),
            odd: array_map(
                fn (CitedReading $one): string => $this->say->check($one->check).': '
                    .$this->say->outcome($one->check, $one->outcomes),
                $advice->odd,
            ),
            spent: $loaded->state->story->intake()->spentCents ?? 0,
            quotes: $this->quotes($loaded, $group),
            trial: 'trial' === $advice->reason && $rows[0]['group'] === $chosen['group'],
            all: $this->say->repairs(array_diff_key($all, array_flip(array_column($rows, 'group')))),
            hinges: $rows[0]['group'] === $chosen['group'] ? array_map($this->hinge(...), $judgement->hinges) : [],
            unread: array_map($this->say->check(...), $advice->unread),
            offered: null === $signed && 'elsewhere' !== $repair->drawn ? $this->offered($loaded, $group) : [],
        ));
    }

    /** @return list<array<string, mixed>> what tends to go with it, likeliest first, to be ticked while signing */
    private function offered(LoadedJob $loaded, GroupAt $group): array
    {
        $list = $this->work->of($loaded, $group) ?? throw new \LogicException('A group is given.');
        $lines = WorkView::notPutOff($list->onOffer(), $loaded->state->story->putOff());

        return $this->work->lines($loaded, \array_slice($lines, 0, self::OFFERED));
    }

    /** "Spin, left front: two hands; then Hose, left front leads with 54 %." */
    private function hinge(Hinge $hinge): string
    {
        $read = $hinge->reading;

        return $this->say->ui('finding.hinge', [
            'reading' => $this->say->check($read->check).': '.$this->say->outcome($read->check, $read->outcomes),
            'instead' => $this->say->group($hinge->instead),
            'percent' => Percent::of($hinge->mass),
        ]);
    }

    private function scope(LoadedJob $loaded, GroupAt $group, bool $pair): Scope
    {
        return Scope::of(
            $this->catalogue->repairs->of($group),
            $group->place,
            $loaded->state->situation->readings,
            $this->shop->isolation()->labour,
            $pair,
            $this->shop->practice()->alongWith($group->id),
        );
    }

    /** @return list<array<string, mixed>> cheapest first, coming back counted */
    private function options(Repair $repair): array
    {
        $rate = $this->shop->isolation()->labour->rateCentsPerMinute;
        $options = array_map(
            fn (PartOption $option): array => [
                'kind' => $this->say->ui('option.'.$option->kind),
                'parts' => $option->cents['parts'],
                'core' => $option->cents['core'],
                'days' => (int) $option->leadDays,
                'months' => (int) $option->warrantyMonths,
                'back' => $option->returnChance,
                'expected' => $option->expectedCents($repair->price->minutes, $rate),
                'not' => null === $option->notIf ? null : $this->say->ui('option.not-'.$option->notIf),
            ],
            array_values($repair->options),
        );
        usort($options, static fn (array $a, array $b): int => $a['expected'] <=> $b['expected']);

        return $options;
    }

    /**
     * What was asked for the part, cheapest first, with what each costs more than the cheapest.
     *
     * @return list<array{quote: QuotePayload, more: int}>
     */
    private function quotes(LoadedJob $loaded, GroupAt $group): array
    {
        $quotes = [];
        foreach ($loaded->state->story->entriesOf(QuotePayload::class) as $entry) {
            if ($entry->payload->group->is($group)) {
                $quotes[$entry->payload->from] = $entry->payload;
            }
        }
        usort($quotes, static fn (QuotePayload $a, QuotePayload $b): int => [!$a->isToBeHad(), $a->priceCents]
            <=> [!$b->isToBeHad(), $b->priceCents]);

        return array_map(
            static fn (QuotePayload $one): array => [
                'quote' => $one,
                'more' => $one->isToBeHad() ? $one->priceCents - $quotes[0]->priceCents : 0,
            ],
            $quotes,
        );
    }

    /** @return list<string> parts that the believed faults of a group tend to spoil */
    private function spoiled(Judgement $judgement, GroupAt $group): array
    {
        $parts = [];
        foreach ($judgement->suspects as $suspect => $mass) {
            $at = SuspectAt::parse($suspect);
            $cure = $this->catalogue->faults->of($at)->cure;
            if ($mass > self::BELIEVED_FROM && $cure->groupFor($at->place)->is($group)) {
                array_push($parts, ...array_map(static fn (Part $part): string => $part->id, $cure->spoils));
            }
        }

        return array_values(array_unique($parts));
    }
}
