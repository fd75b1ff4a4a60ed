<?php

declare(strict_types=1);

namespace App\Text;

use Rodrel\Core\Log\Payload\BleedPayload;
use Rodrel\Core\Log\Payload\BleedSetupPayload;
use Rodrel\Core\Log\Payload\CannotPayload;
use Rodrel\Core\Log\Payload\ClosedPayload;
use Rodrel\Core\Log\Payload\FiguresPayload;
use Rodrel\Core\Log\Payload\FindingPayload;
use Rodrel\Core\Log\Payload\IntakePayload;
use Rodrel\Core\Log\Payload\ItemPayload;
use Rodrel\Core\Log\Payload\LiftPayload;
use Rodrel\Core\Log\Payload\LinePayload;
use Rodrel\Core\Log\Payload\MendedPayload;
use Rodrel\Core\Log\Payload\OverridePayload;
use Rodrel\Core\Log\Payload\Payload;
use Rodrel\Core\Log\Payload\PhotoPayload;
use Rodrel\Core\Log\Payload\PreparedPayload;
use Rodrel\Core\Log\Payload\QuotePayload;
use Rodrel\Core\Log\Payload\ReadingPayload;
use Rodrel\Core\Log\Payload\RepairedPayload;
use Rodrel\Core\Log\Payload\RoundPayload;
use Rodrel\Core\Log\Payload\SpentPayload;
use Rodrel\Core\Log\Payload\StepPayload;
use Rodrel\Core\Log\Payload\SurprisePayload;
use Rodrel\Core\Log\Payload\TogetherPayload;
use Rodrel\Core\Log\Payload\UndoPayload;
use Rodrel\Core\Log\Payload\WaivePayload;

/** What an entry of the log says, in a line of words. */
final readonly class Told
{
    public function __construct(private Say $say)
    {
    }

    public function of(Payload $payload): string
    {
        return match (true) {
            $payload instanceof IntakePayload => $this->say->complaint($payload),
            $payload instanceof ReadingPayload => $this->reading($payload, $payload->outcomes),
            $payload instanceof RoundPayload => $this->round($payload),
            $payload instanceof CannotPayload => $this->cannot($payload),
            $payload instanceof TogetherPayload => $this->say->apart($payload->what),
            $payload instanceof LiftPayload => $this->say->ui('lift.'.$payload->to->value),
            $payload instanceof FindingPayload => $payload->sentence->sentence,
            $payload instanceof PreparedPayload => $this->say->text('prepare.'.$payload->item),
            $payload instanceof StepPayload => $this->step($payload),
            $payload instanceof RepairedPayload => $this->say->group($payload->group),
            $payload instanceof BleedPayload => $this->bleed($payload),
            $payload instanceof FiguresPayload => $this->figures($payload),
            $payload instanceof BleedSetupPayload => $this->say->ui('bleed.method-'.$payload->method)
                .', '
                .$this->say->ui('bleed.fluid-'.$payload->fluid)
                .('' === $payload->lot ? '' : ', '.$payload->lot),
            $payload instanceof WaivePayload, $payload instanceof OverridePayload => $payload->reason,
            $payload instanceof ItemPayload => $this->say->item($payload),
            $payload instanceof LinePayload => $this->line($payload),
            $payload instanceof SurprisePayload => $this->say->step($payload->step).': '.(SurprisePayload::OTHER
                === $payload->surprise
                    ? $payload->note
                    : $this->say->text('surprise.'.$payload->surprise.'.what')),
            $payload instanceof SpentPayload => $this->say->ui('money.what-'.$payload->what).': '.$payload->text,
            $payload instanceof QuotePayload => $this->say->group($payload->group).': '.$payload->from,
            $payload instanceof UndoPayload => $payload->reason,
            $payload instanceof PhotoPayload => $this->say->about($payload->about),
            $payload instanceof ClosedPayload => $this->say->ui('close.'.$payload->why).': '.$payload->reason,
            $payload instanceof MendedPayload => $payload->was.' → '.$payload->unit,
            default => '',
        };
    }

    /** "Spin each wheel: left front, right front; no lift free" */
    private function cannot(CannotPayload $cannot): string
    {
        $rows = array_filter(array_map(
            fn (string $row): string => '' === $row ? '' : $this->say->row($cannot->check, $row),
            $cannot->rows,
        ));

        return $this->say->check($cannot->check)
            .([] === $rows ? '' : ': '.implode(', ', $rows))
            .('' === $cannot->reason ? '' : '; '.$cannot->reason);
    }

    private function line(LinePayload $line): string
    {
        $how = match (true) {
            $line->isPutOff() => $this->say->ui('work.off').': '.$line->reason,
            $line->in => $this->say->ui('work.put-in'),
            default => $this->say->ui('work.out'),
        };
        $part = '' === $line->part ? '' : ' ('.$this->say->ui('option.'.$line->part).')';

        return $this->say->group($line->group).$part.': '.$how;
    }

    private function step(StepPayload $step): string
    {
        $figure = null === $step->figure ? '' : ': '.$step->figure->typed;

        $how = StepPayload::DONE === $step->how ? '' : ' – '.$this->say->ui('repair.'.$step->how).': '.$step->note;

        return $this->say->step($step->step).$figure.$how;
    }

    private function bleed(BleedPayload $bleed): string
    {
        return $this->say->ui('bleed.line', [
            'place' => (null === $bleed->at->corner()
                ? $this->say->ui('bleed.place-'.$bleed->at->place)
                : $this->say->place($bleed->at->place))
                .('' === $bleed->at->bleeder ? '' : ', '.$this->say->ui('bleed.bleeder-'.$bleed->at->bleeder)),
            'strokes' => (string) $bleed->count,
            'unit' => $this->say->ui('bleed.unit-'.$bleed->unit),
            'bubbles' => $this->say->ui('bubbles.'.$bleed->bubbles),
        ]);
    }

    private function figures(FiguresPayload $figures): string
    {
        $said = [];
        foreach ($figures->figures as $name => $figure) {
            $said[] = $this->say->ui('vehicle.'.str_replace('_', '-', $name)).' '.$figure->typed;
        }

        return implode(', ', $said);
    }

    /** What was found by name first; what one tap covered, and what was left open, is counted. */
    private function round(RoundPayload $round): string
    {
        $said = [];
        $covered = 0;
        foreach ($round->answers as $answer) {
            $covered += \count($answer->covered);
            $named = array_diff_key($answer->outcomes, array_flip($answer->covered));
            if ([] !== $named || [] !== $answer->numbers) {
                $said[] = $this->reading($answer, $named);
            }
        }
        $left = array_sum(array_map(\count(...), $round->left));

        return $this->say->text('round.'.$round->round).': '.implode('; ', [
            ...$said,
            ...0 === $covered ? [] : [$this->say->ui('round.covered', ['n' => (string) $covered])],
            ...0 === $left ? [] : [$this->say->ui('round.left', ['n' => (string) $left])],
        ]);
    }

    /** @param array<string, string> $outcomes those that are said */
    private function reading(ReadingPayload $reading, array $outcomes): string
    {
        $said = [] === $outcomes ? [] : [$this->say->outcome($reading->check, $outcomes)];
        foreach ($reading->numbers as $row => $number) {
            $said[] = ('' === $row ? '' : $this->say->row($reading->check, $row).' ').$number->figure->typed;
        }

        $said = [...$said, ...$this->say->noted($reading->check, $reading->measured)];

        return $this->say->check($reading->check).': '.implode(', ', $said);
    }
}
