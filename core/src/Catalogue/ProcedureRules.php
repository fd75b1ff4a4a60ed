<?php

declare(strict_types=1);

namespace Rodrel\Core\Catalogue;

use Rodrel\Core\Mistakes;
use Rodrel\Core\Quantity\Quantity;
use Rodrel\Core\Repair\Composing;
use Rodrel\Core\Repair\Procedure;
use Rodrel\Core\Repair\Step;

/** What no procedure and no repair may say, whoever wrote it: it would hurt somebody, or stand in a visit's way. */
final readonly class ProcedureRules
{
    /** No wheel nut of a road vehicle is tightened to less (N·m; handbook: 80 upward, 45 for the smallest). */
    private const WHEEL_NUT_NM = 45.0;

    public function __construct(private Catalogue $catalogue, private Mistakes $mistakes)
    {
    }

    public function check(): void
    {
        $repairs = $this->catalogue->repairs;
        $steps = $used = [];
        foreach ($repairs->all as $id => $repair) {
            $used[$repair->procedure] = true;
            if ($repair->opening->system && 'none' === $repair->opening->bleeds) {
                $this->mistakes->add("/repairs/repairs/$id/bleeds", 'what opens the system is bled afterwards');
            }
        }
        foreach ($repairs->procedures as $id => $procedure) {
            if (!isset($used[$id])) {
                $this->mistakes->add('/procedures/procedures/'.$id, 'no repair follows it');
            }
            $this->procedure($procedure);
            foreach ($procedure->steps as $step) {
                $steps[$step->id] = true;
            }
        }
        foreach ($repairs->procedures as $id => $procedure) {
            foreach ($procedure->steps as $n => $step) {
                foreach (array_diff($step->givesWayTo, Composing::REASONS) as $to) {
                    if (!isset($steps[$to])) {
                        $this->mistakes->add(
                            "/procedures/procedures/$id/steps/$n/gives_way_to",
                            \sprintf('there is no step "%s"', $to),
                        );
                    }
                }
            }
        }
        foreach ($repairs->surprises as $id => $surprise) {
            foreach (array_diff($surprise->steps, array_keys($steps)) as $step) {
                $this->mistakes->add("/procedures/surprises/$id/steps", \sprintf('there is no step "%s"', $step));
            }
            if ('' !== $surprise->repair && !isset($repairs->all[$surprise->repair])) {
                $this->mistakes->add(
                    "/procedures/surprises/$id/repair",
                    \sprintf('there is no repair "%s"', $surprise->repair),
                );
            }
        }
        $instead = array_merge(...array_map(array_values(...), array_values($repairs->visit->instead)));
        $visit = $repairs->visit;
        foreach ([...$instead, ...$visit->first, ...$visit->atTheEnd, ...$visit->after] as $id) {
            if (!isset($steps[$id])) {
                $this->mistakes->add('/procedures/visit', \sprintf('there is no step "%s"', $id));
            }
        }
    }

    private function procedure(Procedure $procedure): void
    {
        $open = [];
        foreach ($procedure->steps as $n => $step) {
            $at = "/procedures/procedures/$procedure->id/steps/$n";
            [$least, $most] = $step->figure->typical ?? [0.0, 1.0];
            if ($least >= $most) {
                $this->mistakes->add($at, 'a typical band rises from its lower end');
            }
            if ($step->last && Quantity::Torque === $step->figure?->measures && $least < self::WHEEL_NUT_NM) {
                $this->mistakes->add($at.'/torque_nm', 'wheel nuts want 45 N·m at least');
            }
            if ('' !== $step->makes && !$step->required) {
                $this->mistakes->add($at.'/makes', 'closing a joint is required');
            }
            $ready = array_column($procedure->prepare, 'count', 'id')[$step->uses] ?? 0;
            if ('' !== $step->uses && $ready < ($step->count ?? 1)) {
                $this->mistakes->add($at.'/uses', \sprintf('too few of "%s" lie ready', $step->uses));
            }
            $open = $this->joints($open, $step);
        }
        foreach (array_keys(array_filter($open)) as $joint) {
            $this->mistakes->add(
                '/procedures/procedures/'.$procedure->id,
                \sprintf('no step closes the joint "%s" again', $joint),
            );
        }
    }

    /**
     * @param array<string, bool> $open by joint
     *
     * @return array<string, bool>
     */
    private function joints(array $open, Step $step): array
    {
        if ('' !== $step->breaks) {
            $open[$step->breaks] = true;
        }
        if ('' !== $step->makes) {
            $open[$step->makes] = false;
        }

        return $open;
    }
}
