<?php

declare(strict_types=1);

namespace App\Report;

use App\Account\Languages;
use App\Job\LoadedJob;
use App\Shop\ShopSettings;
use App\Text\Say;
use Rodrel\Core\Bleeding\BleedPlan;
use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Job\Account;
use Rodrel\Core\Log\Entry;
use Rodrel\Core\Log\Kind;
use Rodrel\Core\Log\Payload\ClosedPayload;
use Rodrel\Core\Log\Payload\FindingPayload;
use Rodrel\Core\Log\Payload\HandoverPayload;
use Rodrel\Core\Log\Payload\ItemPayload;
use Rodrel\Core\Log\Payload\LinePayload;
use Rodrel\Core\Log\Payload\ReadingPayload;
use Rodrel\Core\Log\Payload\RepairedPayload;
use Rodrel\Core\Proof\Criterion;
use Rodrel\Core\Vocabulary\CheckAt;
use Symfony\Contracts\Translation\TranslatorInterface;

/**
 * What a customer reads: told, found and how we know, done, tested, recommended, cost. Everything is said anew from the
 * log, so that it can be read in another language than the one that it was written in; names of people stand nowhere.
 */
final readonly class CustomerView
{
    /** Readings that stand for a finding; more convince nobody. */
    private const SHOWN = 3;
    /** A reading that made the finding so many times as likely is a reason that a customer is told (estimate). */
    private const REASON = 2.0;

    public function __construct(
        private ReportView $report,
        private Say $say,
        private ShopSettings $shop,
        private Catalogue $catalogue,
        private Languages $languages,
        private TranslatorInterface $translator,
    ) {
    }

    /** In the language of the page. */
    public function of(LoadedJob $loaded, string $language): CustomerPage
    {
        $story = $loaded->state->story;
        $complaints = $story->intake()->complaints ?? [];
        $means = array_map(
            fn (string $one): string => $this->ifSaid('customer.means.'.$this->catalogue->complaints->all[$one]->what),
            $complaints,
        );

        return new CustomerPage(
            language: $language,
            languages: array_values(array_diff($this->languages->all, [$language])),
            state: $this->state($loaded),
            handedOver: $story->last(HandoverPayload::class)?->takenAt,
            told: $this->say->complaint($story->intake()),
            means: array_values(array_unique(array_filter($means))),
            found: array_map(
                fn (Entry $one): array => $this->found($loaded, $one->payload),
                $this->report->carriedOut($loaded),
            ),
            done: $this->done($loaded),
            tests: null === $loaded->state->repaired ? [] : $this->tests($loaded),
            advice: $this->advice($loaded),
            cost: $this->cost($loaded),
        );
    }

    private function state(LoadedJob $loaded): string
    {
        $story = $loaded->state->story;
        $unsafe = array_filter(
            $story->openItems(),
            static fn (Entry $item): bool => $item->payload->safety || $item->payload->refused,
        );

        return match (true) {
            [] !== $unsafe, $loaded->state->road()->seenUnsafe => 'unsafe',
            null !== $story->last(HandoverPayload::class) => 'repaired',
            null !== $story->last(ClosedPayload::class) => 'not-shown',
            default => 'open',
        };
    }

    /** @return array{sentence: string, means: string, known: list<string>} */
    private function found(LoadedJob $loaded, FindingPayload $finding): array
    {
        $known = [];
        foreach ($finding->arguments as $argument) {
            if ($argument['ratio'] >= self::REASON && \count($known) < self::SHOWN) {
                $known[] = $this->said($loaded, $finding, $argument);
            }
        }

        return [
            'sentence' => $this->say->again($finding->sentence),
            'means' => $this->ifSaid('customer.part.'.$finding->group->id),
            'known' => array_values(array_unique($known)),
        ];
    }

    /**
     * An argument said anew where its reading is there.
     *
     * @param array{check: string, said: string, ratio: float, weight: string} $argument
     */
    private function said(LoadedJob $loaded, FindingPayload $finding, array $argument): string
    {
        $at = CheckAt::tryParse($argument['check']);
        if (null === $at || !$this->catalogue->checks->has($at->id)) {
            return $argument['said'];
        }
        if ($this->catalogue->checks->of($at)->role->asked) {
            return $this->say->ui('customer.as-told');
        }
        foreach ($loaded->state->story->entriesOf(ReadingPayload::class) as $entry) {
            $reading = $entry->payload;
            $rested = \in_array(explode('#', $entry->id)[0], array_map(
                static fn (string $id): string => explode('#', $id)[0],
                $finding->readings,
            ), true);
            if ($rested && $reading->check->is($at) && [] !== $reading->outcomes) {
                return $this->say->check($at).': '.$this->say->outcome($at, $reading->outcomes);
            }
        }

        return $argument['said'];
    }

    /** @return list<string> */
    private function done(LoadedJob $loaded): array
    {
        $groups = array_merge(...array_map(
            static fn (Entry $entry): array => $entry->payload->groups(),
            $loaded->state->story->entriesOf(RepairedPayload::class),
        ));
        if ([] === $groups) {
            return [];
        }
        $done = $this->report->repairs($loaded);
        $bled = $loaded->state->story->now()->has(Kind::Bled);
        if ($bled && [] !== BleedPlan::opened($this->catalogue->repairs, $groups)) {
            $done[] = $this->say->ui('customer.bled');
        }
        $done[] = $this->say->ui('customer.fastened');

        return $done;
    }

    /** @return list<array{name: string, passed: bool, reason: string}> */
    private function tests(LoadedJob $loaded): array
    {
        $tests = [];
        foreach ($loaded->state->proof->criteria as $one) {
            if (null !== $one->check && Criterion::OPEN !== $one->status) {
                $tests[] = [
                    'name' => $this->say->ui('proof.'.$one->id.'.name'),
                    'passed' => Criterion::PASSED === $one->status,
                    'reason' => (string) $one->reason,
                ];
            }
        }

        return $tests;
    }

    /** @return list<array{text: string, due: string, safety: bool}> */
    private function advice(LoadedJob $loaded): array
    {
        $story = $loaded->state->story;
        $advice = array_map(fn (Entry $item): array => $this->item($item->payload), $story->openItems());
        foreach ($story->putOff() as $line) {
            $advice[] = $this->putOff($line);
        }
        if (null !== $loaded->state->repaired && true === $loaded->state->sheet()?->takesWheelsOff()) {
            $advice[] = ['text' => $this->say->ui('customer.wheel-nuts'), 'due' => '', 'safety' => false];
        }
        usort($advice, static fn (array $a, array $b): int => $b['safety'] <=> $a['safety']);

        return $advice;
    }

    /** @return array{text: string, due: string, safety: bool} */
    private function item(ItemPayload $item): array
    {
        return [
            'text' => $item->refused
                ? $this->say->ui('customer.refused', ['what' => $item->text, 'reason' => $item->reason])
                : $this->say->item($item),
            'due' => $item->due,
            'safety' => $item->safety || $item->refused,
        ];
    }

    /** @return array{text: string, due: string, safety: bool} */
    private function putOff(LinePayload $line): array
    {
        return [
            'text' => $this->say->ui('customer.put-off', [
                'what' => $this->say->work($line->group),
                'reason' => $line->reason,
            ]),
            'due' => $line->until,
            'safety' => false,
        ];
    }

    /** @return array{cents: float, estimated: bool}|null */
    private function cost(LoadedJob $loaded): ?array
    {
        if ([] === $loaded->state->story->entriesOf(RepairedPayload::class)) {
            return null;
        }
        $labour = $this->shop->isolation()->labour;
        $account = Account::of($loaded->state->story, $this->catalogue->repairs, $labour);
        $estimated = 0 === $account->cents['bought'];

        return [
            'cents' => $estimated ? $account->cents['expected'] : $account->spentCents($labour),
            'estimated' => $estimated,
        ];
    }

    private function ifSaid(string $key): string
    {
        return $this->translator instanceof \Symfony\Component\Translation\TranslatorBagInterface
            && $this->translator->getCatalogue()->has($key)
                ? $this->say->ui($key)
                : '';
    }
}
