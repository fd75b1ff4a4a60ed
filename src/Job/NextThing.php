<?php

declare(strict_types=1);

namespace App\Job;

use App\Text\Say;
use Rodrel\Core\Job\Stage;
use Rodrel\Core\Vocabulary\GroupAt;
use Rodrel\Core\Vocabulary\SuspectAt;

/** Says what is next on a job, in one place for the list, the head of every page and the keyboard. */
final readonly class NextThing
{
    public function __construct(private Say $say)
    {
    }

    public function __invoke(LoadedJob $loaded): Next
    {
        $state = $loaded->state;

        return match ($state->stage) {
            Stage::Intake => $this->next($loaded, new NextAct(NextAct::SAY, 'next.intake'), 'job_intake'),
            Stage::Bench, Stage::Finding => $this->bench($loaded),
            Stage::Repair => $this->next(
                $loaded,
                new NextAct(NextAct::REPAIR, (string) $state->repairGroup()),
                'job_repair',
            ),
            Stage::Bleed => $this->next($loaded, new NextAct(NextAct::SAY, 'next.bleed'), 'job_bleed'),
            Stage::Proof => $this->proof($loaded),
            Stage::Done => $this->next($loaded, new NextAct(NextAct::SAY, 'next.done'), 'job_report'),
        };
    }

    public function title(NextAct $act): string
    {
        return match ($act->kind) {
            NextAct::ROUND => $this->say->text('round.'.$act->of),
            NextAct::CHECK => $this->say->check($act->of),
            NextAct::REPAIR => $this->say->ui('next.repair', [
                'repair' => '' === $act->of ? '' : $this->say->group($act->of),
            ]),
            NextAct::SIGN => $this->say->ui('next.sign', ['finding' => $this->say->finding(
                GroupAt::parse($act->of),
                '' === $act->suspect ? null : SuspectAt::parse($act->suspect),
            )]),
            default => $this->say->ui($act->of),
        };
    }

    private function bench(LoadedJob $loaded): Next
    {
        $judgement = $loaded->judgement();
        if ($loaded->keepsSilent()) {
            return $this->next($loaded, new NextAct(NextAct::SAY, 'next.own-head'), 'job_bench');
        }
        if (null === $judgement) {
            $look = $loaded->layout->reach()->isHydraulic() ? 'next.look' : 'next.look-first';
            $act = new NextAct(NextAct::SAY, $look);

            return $this->next($loaded, $act, 'job_bench', $this->say->ui('next.computing'));
        }
        $minutes = fn (float $minutes): string => $this->say->ui('next.minutes', [
            'minutes' => (string) (int) ceil($minutes),
        ]);
        $walk = $loaded->walk();
        if (null !== $walk) {
            $act = new NextAct(NextAct::ROUND, $walk->round);

            return $this->next($loaded, $act, 'job_round', $minutes($walk->minutes));
        }
        $next = $judgement->advice->next;
        if (null !== $next) {
            $act = new NextAct(NextAct::CHECK, (string) $next->at);
            $line = $minutes($next->worth->minutes);

            return $this->next($loaded, $act, 'job_check', $line, ['check' => (string) $next->at]);
        }
        $group = $judgement->advice->repair ?? $judgement->leader();
        $act = new NextAct(NextAct::SIGN, (string) $group, (string) $this->say->leading($judgement, $group));

        return $this->next($loaded, $act, 'job_finding');
    }

    private function proof(LoadedJob $loaded): Next
    {
        $criterion = $loaded->state->proof->next();
        $key = null === $criterion ? 'next.handover' : 'proof.'.$criterion->id.'.do';

        return $this->next($loaded, new NextAct(NextAct::SAY, $key), 'job_proof');
    }

    /** @param array<string, string> $parameters */
    private function next(
        LoadedJob $loaded,
        NextAct $act,
        string $route,
        string $line = '',
        array $parameters = [],
    ): Next {
        return new Next($act, $this->title($act), $line, $route, ['id' => $loaded->id(), ...$parameters]);
    }
}
