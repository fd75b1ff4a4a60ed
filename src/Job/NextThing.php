<?php

declare(strict_types=1);

namespace App\Job;

use App\Text\Say;
use Rodrel\Core\Job\Stage;

/** Says what is next on a job, in one place for the list, the head of every page and the keyboard. */
final readonly class NextThing
{
    public function __construct(private Say $say)
    {
    }

    public function __invoke(LoadedJob $loaded): Next
    {
        $id = ['id' => $loaded->id()];
        $state = $loaded->state;

        return match ($state->stage) {
            Stage::Intake => new Next($this->say->ui('next.intake'), '', 'job_intake', $id),
            Stage::Bench, Stage::Finding => $this->bench($loaded),
            Stage::Repair => new Next(
                $this->say->ui('next.repair', [
                    'repair' => null === $state->repairGroup() ? '' : $this->say->group($state->repairGroup()),
                ]),
                '',
                'job_repair',
                $id,
            ),
            Stage::Bleed => new Next($this->say->ui('next.bleed'), '', 'job_bleed', $id),
            Stage::Proof => $this->proof($loaded),
            Stage::Done => new Next($this->say->ui('next.done'), '', 'job_report', $id),
        };
    }

    private function bench(LoadedJob $loaded): Next
    {
        $id = ['id' => $loaded->id()];
        $judgement = $loaded->judgement();
        if (null === $judgement) {
            $look = $loaded->layout->reach()->isHydraulic() ? 'next.look' : 'next.look-first';

            return new Next($this->say->ui($look), $this->say->ui('next.computing'), 'job_bench', $id);
        }
        $walk = $loaded->walk();
        if (null !== $walk) {
            $minutes = $this->say->ui('next.minutes', ['minutes' => (string) (int) ceil($walk->minutes)]);

            return new Next($this->say->text('round.'.$walk->round), $minutes, 'job_round', $id);
        }
        $next = $judgement->advice->next;
        if (null !== $next) {
            $minutes = $this->say->ui('next.minutes', ['minutes' => (string) (int) ceil($next->worth->minutes)]);

            return new Next($this->say->check($next->at), $minutes, 'job_check', [
                ...$id,
                'check' => (string) $next->at,
            ]);
        }
        $group = $judgement->advice->repair ?? $judgement->leader();
        $finding = $this->say->finding($group, $this->say->leading($judgement, $group));

        return new Next($this->say->ui('next.sign', ['finding' => $finding]), '', 'job_finding', $id);
    }

    private function proof(LoadedJob $loaded): Next
    {
        $criterion = $loaded->state->proof->next();
        $title
            = null === $criterion ? $this->say->ui('next.handover') : $this->say->ui('proof.'.$criterion->id.'.do');

        return new Next($title, '', 'job_proof', ['id' => $loaded->id()]);
    }
}
