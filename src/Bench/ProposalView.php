<?php

declare(strict_types=1);

namespace App\Bench;

use App\Text\Percent;
use App\Text\Say;
use Rodrel\Core\Isolation\Branch;
use Rodrel\Core\Isolation\Proposal;
use Rodrel\Core\Job\JobState;

/** A proposed check as the bench shows it. */
final readonly class ProposalView
{
    public function __construct(private Say $say)
    {
    }

    /** @return array<string, mixed> */
    public function of(JobState $state, Proposal $proposal): array
    {
        $check = $proposal->check;
        $simple = 1 === \count($check->rows) && isset($check->rows['']) && null === $check->rows['']->quantity && [] === $proposal->gates;
        $names = static fn (array $gates): array => array_merge(...array_map(static fn ($gate): array => $gate->unmet, $gates));

        return [
            'id' => $proposal->id(),
            'name' => $this->say->check($proposal->id()),
            'why' => $this->say->text('check.'.$check->id.'.why'),
            'minutes' => (int) ceil($proposal->minutes),
            'used' => $check->consumablesCents,
            'lift' => $check->lift->level() > $state->situation->lift->level() ? $check->lift->value : null,
            'opens' => null !== $check->opens,
            'helper' => $check->helper,
            'spoken' => array_map(fn (string $word): string => $this->say->text('say.'.$word), $check->spoken),
            'caution' => null === $check->caution ? null : $this->say->text('caution.'.$check->caution),
            'bits' => $proposal->bits,
            'saving' => $proposal->savingCents,
            'simple' => $simple,
            'gates' => [] === $proposal->gates ? [] : $names($proposal->gates),
            'fork' => array_map(fn (Branch $branch): array => $this->branch($proposal, $branch), $simple ? $this->everyWord($proposal) : \array_slice($proposal->fork, 0, 4)),
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
        foreach ($proposal->check->rows['']->words as $word) {
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
        foreach (\array_slice($branch->leaders, 0, 2) as [$group, $mass]) {
            if ($mass >= 0.05) {
                $then[] = $this->say->ui('bench.leader', ['group' => $this->say->group($group), 'percent' => Percent::of($mass)]);
            }
        }

        return [
            'word' => $branch->outcomes[''] ?? '',
            'label' => [] === $branch->outcomes ? $this->say->marked($proposal->id(), $branch->marked) : $this->say->outcome($proposal->id(), $branch->outcomes),
            'chance' => $branch->chance,
            'then' => implode(', ', $then),
        ];
    }
}
