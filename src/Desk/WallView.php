<?php

declare(strict_types=1);

namespace App\Desk;

use App\Job\LoadedJob;
use App\Job\NextThing;
use App\Shop\ShopSettings;
use App\Text\Say;
use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Job\Stage;
use Rodrel\Core\Log\Payload\StepPayload;
use Rodrel\Core\Log\Rule;
use Rodrel\Core\Repair\Step;
use Rodrel\Core\Vocabulary\CheckAt;
use Symfony\Component\Clock\ClockInterface;

/** The next thing of a job, with what to beware of and how long something waits. */
final readonly class WallView
{
    public function __construct(
        private NextThing $nextThing,
        private Catalogue $catalogue,
        private ShopSettings $shop,
        private ClockInterface $clock,
        private Say $say,
    ) {
    }

    public function of(LoadedJob $loaded): WallPage
    {
        $next = ($this->nextThing)($loaded);
        $check = CheckAt::tryParse($next->parameters['check'] ?? '');
        $manner = null === $check ? null : $this->catalogue->checks->of($check)->manner;
        $cautions = null === $manner?->caution ? [] : [$manner->caution];
        $title = $next->title;
        $how = null === $check ? $next->line : $this->say->text('check.'.$check->id.'.how');
        [$step, $wait] = Stage::Repair === $loaded->state->stage ? $this->step($loaded) : [null, 0];
        if (null !== $step) {
            [$title, $how, $cautions] = [$this->say->text('step.'.$step->id), $next->title, $step->cautions];
        }

        return new WallPage(
            unit: $loaded->job->unit(),
            stage: $this->say->ui('stage.'.$loaded->state->stage->value),
            next: $title,
            how: $how,
            cautions: array_map(fn (string $id): string => $this->say->text('caution.'.$id), $cautions),
            spoken: array_map(fn (string $word): string => $this->say->text('say.'.$word), $manner->spoken ?? []),
            wait: $wait,
            head: $loaded->head(),
        );
    }

    /** @return array{Step|null, int} the first step that is not done, and the seconds until a second look */
    private function step(LoadedJob $loaded): array
    {
        $sheet = $loaded->state->sheet();
        $finding = $loaded->state->story->finding();
        if (null === $sheet || null === $finding) {
            return [null, 0];
        }
        $wait = 0;
        foreach ($loaded->state->story->entriesOf(StepPayload::class) as $done) {
            $of = $done->payload->sheet === $finding->id ? $sheet->find($done->payload->step) : null;
            $waits = !$loaded->state->story->stepConfirmed($done)
                && ($of->figure->holdPoint ?? false);
            $since = $this->clock->now()->getTimestamp() - $done->takenAt->getTimestamp();
            $wait = $waits ? max($wait, Rule::SECOND_LOOK_S - $since) : $wait;
        }
        $practice = $this->shop->practice();
        foreach ($sheet->steps as $line) {
            foreach ($practice->makes($line->step) ? $line->names : [] as $names) {
                if (null === $loaded->state->story->stepDone($finding->id, ...$names)) {
                    return [$line->step, $wait];
                }
            }
        }

        return [null, $wait];
    }
}
