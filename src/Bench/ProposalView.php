<?php

declare(strict_types=1);

namespace App\Bench;

use App\Text\Percent;
use App\Text\Say;
use Rodrel\Core\Isolation\Branch;
use Rodrel\Core\Isolation\Gate;
use Rodrel\Core\Isolation\Proposal;
use Rodrel\Core\Job\JobState;

/** A proposed check as the bench shows it. */
final readonly class ProposalView
{
    private const SHOWN_ANSWERS = 4;
    private const SHOWN_LEADERS = 2;
    private const LEADER_FROM = 0.05;

    public function __construct(private Say $say, private SuspectView $suspects)
    {
    }

    /** @return array<string, mixed> */
    public function of(JobState $state, Proposal $proposal): array
    {
        $check = $proposal->check;
        $only = $check->onlyRow();
        $simple = null !== $only && null === $only->observer->typed && [] === $proposal->gates;
        $fork = $simple ? $this->everyWord($proposal) : \array_slice($proposal->fork, 0, self::SHOWN_ANSWERS);
        $higher = $check->demand->lift->level() > $state->situation->car->lift->level();

        return [
            'id' => (string) $proposal->at,
            'name' => $this->say->check($proposal->at),
            'why' => $this->say->text('check.'.$check->id.'.why'),
            'minutes' => (int) ceil($proposal->worth->minutes),
            'way' => (int) round($proposal->worth->wayMinutes),
            'used' => $check->demand->consumablesCents,
            'lift' => $higher ? $check->demand->lift->value : null,
            'opens' => null !== $check->demand->wake->opens,
            'helper' => $check->manner->helper,
            'spoken' => array_map(fn (string $word): string => $this->say->text('say.'.$word), $check->manner->spoken),
            'caution' => null === $check->manner->caution
                ? null
                : $this->say->text('caution.'.$check->manner->caution),
            'decides' => $this->suspects->decides($proposal->decides()),
            'simple' => $simple,
            'lacks' => implode(', ', array_map(
                fn (string $tool): string => $this->say->ui('tool.'.$tool),
                $proposal->lacks(),
            )),
            'gates' => array_merge(...array_map(static fn (Gate $gate): array => $gate->unmet, $proposal->gates)),
            'fork' => array_map(fn (Branch $branch): array => $this->branch($proposal, $branch), $fork),
        ];
    }

    /**
     * All answers in the order of the sheet, so that a key means the same wherever it is pressed.
     *
     * @return list<Branch>
     */
    private function everyWord(Proposal $proposal): array
    {
        $branches = [];
        foreach ($proposal->check->firstRow()->observer->words() as $word) {
            $found = new Branch(['' => $word], 0.0, []);
            foreach ($proposal->fork as $branch) {
                $found = $branch->outcomes === ['' => $word] ? $branch : $found;
            }
            $branches[] = $found;
        }

        return $branches;
    }

    /** @return array{word: string, label: string, chance: float, then: string} */
    private function branch(Proposal $proposal, Branch $branch): array
    {
        $then = [];
        foreach (\array_slice($branch->leaders, 0, self::SHOWN_LEADERS) as [$group, $mass]) {
            if ($mass >= self::LEADER_FROM) {
                $said = ['group' => $this->say->group($group), 'percent' => Percent::of($mass)];
                $then[] = $this->say->ui('bench.leader', $said);
            }
        }

        return [
            'word' => $branch->outcomes[''] ?? '',
            'label' => [] === $branch->outcomes
                ? $this->say->marked($proposal->at, $branch->marked, $branch->seen)
                : $this->say->outcome($proposal->at, $branch->outcomes),
            'chance' => $branch->chance,
            'then' => implode(', ', $then),
        ];
    }
}
