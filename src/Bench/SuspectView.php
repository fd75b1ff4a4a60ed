<?php

declare(strict_types=1);

namespace App\Bench;

use App\Text\Percent;
use App\Text\Say;
use Rodrel\Core\Isolation\Argument;
use Rodrel\Core\Isolation\Belief;
use Rodrel\Core\Isolation\CommonCause;
use Rodrel\Core\Isolation\Explanation;
use Rodrel\Core\Job\JobState;

/** The ranked suspects with what speaks for and against each. */
final readonly class SuspectView
{
    private const SHOWN = 5;

    public function __construct(private Say $say)
    {
    }

    /** @return list<array<string, mixed>> */
    public function of(JobState $state): array
    {
        if (null === $state->belief) {
            return [];
        }
        $rows = [];
        foreach (\array_slice($state->belief->groups, 0, self::SHOWN, true) as $group => $mass) {
            if ($mass < 0.01 && [] !== $rows) {
                break;
            }
            $arguments = Explanation::of($state->belief, $group);
            $rows[] = [
                'group' => $group,
                'name' => $this->say->group($group),
                'mass' => $mass,
                'bar' => (int) round(100.0 * $mass),
                'modes' => $this->modes($state->belief, $group),
                'for' => $this->said($arguments, true),
                'against' => $this->said($arguments, false),
            ];
        }

        return $rows;
    }

    /**
     * What was worth a thought and is no longer, with the reading that struck it out.
     *
     * @return list<array{name: string, by: string}>
     */
    public function struckOut(JobState $state): array
    {
        if (null === $state->belief) {
            return [];
        }
        $struck = [];
        foreach (Explanation::struckOut($state->belief) as $group => $reading) {
            $struck[] = ['name' => $this->say->group($group), 'by' => $this->say->check($reading->check).': '.$this->say->outcome($reading->check, $reading->outcomes)];
        }

        return $struck;
    }

    /** "Caliper, left front struck out: …" or "Hose, left front from 40% to 84%" */
    public function change(Belief $before, Belief $after): string
    {
        [$group, $mass] = $after->leader() ?? ['none@vehicle', 0.0];
        $lost = null;
        $fall = 0.1;
        foreach ($before->groups as $other => $had) {
            if ($other !== $group && $had - $after->group($other) > $fall) {
                $fall = $had - $after->group($other);
                $lost = $other;
            }
        }
        $percent = Percent::of(...);
        if (null !== $lost && $after->group($lost) < 0.02) {
            return $this->say->ui('learned.struck', ['lost' => $this->say->group($lost), 'lead' => $this->say->group($group), 'percent' => $percent($mass)]);
        }
        if (abs($mass - $before->group($group)) < 0.03) {
            return $this->say->ui('learned.little', ['lead' => $this->say->group($group), 'percent' => $percent($mass)]);
        }

        return $this->say->ui('learned.moved', ['lead' => $this->say->group($group), 'was' => $percent($before->group($group)), 'percent' => $percent($mass)]);
    }

    /** @return list<array{name: string, mass: float}> */
    private function modes(Belief $belief, string $group): array
    {
        $modes = [];
        foreach ($belief->field->particles as $i => $particle) {
            if ($particle->group() === $group) {
                $modes[$particle->suspect()] = ($modes[$particle->suspect()] ?? 0.0) + $belief->posterior[$i];
            }
        }
        arsort($modes);
        $said = [];
        foreach (\array_slice($modes, 0, 3, true) as $suspect => $mass) {
            if ($mass >= 0.02) {
                $said[] = ['name' => $this->say->suspect($suspect), 'mass' => $mass];
            }
        }

        return $said;
    }

    /**
     * @param list<Argument> $arguments
     *
     * @return list<array{said: string, weight: string, ratio: string}>
     */
    private function said(array $arguments, bool $for): array
    {
        $said = [];
        foreach ($arguments as $argument) {
            if ('neutral' !== $argument->weight->value && $argument->weight->speaksFor() === $for) {
                $said[] = [
                    'said' => $this->say->check($argument->reading->check).': '.$this->say->outcome($argument->reading->check, $argument->reading->outcomes),
                    'weight' => $this->say->ui('weight.'.$argument->weight->value),
                    'ratio' => $this->ratio($argument->ratio),
                ];
            }
        }

        return $said;
    }

    private function ratio(float $ratio): string
    {
        $odds = $ratio >= 1.0 ? $ratio : 1.0 / $ratio;

        return $this->say->ui('weight.odds', ['n' => (string) ($odds >= 1000.0 ? '1000+' : round($odds, $odds < 10.0 ? 1 : 0))]);
    }

    /** @return list<string> what the blamed part cannot explain, in words */
    public function commonCauses(JobState $state): array
    {
        return array_map(fn (array $said): string => $this->say->ui('common.'.$said['key'], ['what' => $this->say->suspect($said['suspect']), 'where' => implode(', ', array_map($this->say->place(...), $said['places']))]), CommonCause::of($state));
    }
}
