<?php

declare(strict_types=1);

namespace Rodrel\Core\Job;

use Rodrel\Core\Catalogue;
use Rodrel\Core\InvalidData;
use Rodrel\Core\Isolation\Gates;
use Rodrel\Core\Vehicle\Composer;

/** What may be written next. The same guard stands before the page, the command line and the demo. */
final readonly class Guard
{
    /** A hold point looked at by one person alone wants this long between the two looks (s; handbook). */
    public const SECOND_LOOK_S = 600;

    public function __construct(private Catalogue $catalogue)
    {
    }

    /**
     * @throws Refused     with what to do first
     * @throws InvalidData when the payload names what does not exist
     */
    public function check(JobState $state, Entry $entry): void
    {
        match ($entry->kind) {
            Kind::Reading => $this->reading($state, $entry),
            Kind::Finding => $this->finding($state, $entry),
            Kind::Confirm => $this->confirm($state, $entry),
            Kind::Repaired => $this->repaired($state, $entry),
            Kind::Bled => $this->bled($state),
            Kind::BleedSetup => $this->bleedSetup($state, $entry),
            Kind::Handover => $this->handover($state),
            Kind::Undo => $this->undo($state, $entry),
            Kind::Step => $this->step($state, $entry),
            Kind::Waive => $this->waive($state, $entry),
            Kind::Figures => $this->figures($entry),
            Kind::Photo, Kind::Intake, Kind::Lift, Kind::Cool, Kind::Prepared, Kind::Bleed, Kind::Override, Kind::Item, Kind::Settled => null,
        };
    }

    private function reading(JobState $state, Entry $entry): void
    {
        $shape = $entry->shape();
        $id = $shape->text('check');
        $check = $this->catalogue->check($id);
        $place = explode('@', $id)[1] ?? '';
        foreach ($shape->raw('outcomes') as $row => $word) {
            if (!isset($check->rows[$row]) || !\in_array($word, $check->rows[$row]->words, true)) {
                throw $shape->wrong('outcomes/'.$row, 'unknown row or outcome');
            }
        }
        if (null !== $state->field && !\in_array($place, $check->places->in($state->field->layout), true)) {
            throw $shape->wrong('check', 'this vehicle has no such place');
        }
        foreach (Gates::closedFor($check, $place, $state->situation) as $gate) {
            if (!$gate->overridable || !$this->overridden($state, $gate->id)) {
                throw Refused::by($gate->id, $gate->unmet, $gate->overridable);
            }
        }
    }

    private function finding(JobState $state, Entry $entry): void
    {
        $this->catalogue->repair($entry->shape()->text('group'));
        if (null === $state->belief) {
            throw Refused::by('finding', ['predictions-first']);
        }
        if ([] === $state->readings()) {
            throw Refused::by('finding', ['reading-first']);
        }
    }

    private function confirm(JobState $state, Entry $entry): void
    {
        $done = null;
        foreach ($state->story->all(Kind::Step) as $step) {
            $done = $step->id === $entry->shape()->text('step') ? $step : $done;
        }
        if (null === $done) {
            throw Refused::by('hold-point', ['step-first']);
        }
        $waited = $entry->takenAt->getTimestamp() - $done->takenAt->getTimestamp();
        if ($done->author === $entry->author && $waited < self::SECOND_LOOK_S) {
            throw Refused::by('hold-point', ['second-look-later']);
        }
    }

    private function step(JobState $state, Entry $entry): void
    {
        $group = $state->repairGroup() ?? throw Refused::by('repair', ['finding-first']);
        $procedure = $this->catalogue->procedures[$this->catalogue->repair($group)->procedure];
        $step = $procedure->step($entry->shape()->text('step'));
        if (null !== $step->measures && !$entry->shape()->has('figure')) {
            throw Refused::by('repair', ['figure-first']);
        }
        if ($step->opensSystem) {
            $ready = array_map(static fn (Entry $e): string => $e->shape()->text('item'), $state->story->now()->all(Kind::Prepared));
            foreach ($procedure->prepare as $item) {
                if (!\in_array($item['id'], $ready, true)) {
                    throw Refused::by('repair', ['prepare-first']);
                }
            }
        }
    }

    private function repaired(JobState $state, Entry $entry): void
    {
        $finding = $state->story->finding() ?? throw Refused::by('repair', ['finding-first']);
        $group = $entry->shape()->text('group');
        if ($finding->shape()->text('group') !== $group) {
            throw $entry->shape()->wrong('group', 'the signed finding names another repair');
        }
        $procedure = $this->catalogue->procedures[$this->catalogue->repair($group)->procedure];
        foreach ($procedure->steps as $step) {
            if ($step->required && null === JobState::stepDone($state->story, $finding->id, $step->id)) {
                throw Refused::by('repair', ['steps-first']);
            }
        }
    }

    private function bled(JobState $state): void
    {
        if (null === $state->repaired) {
            throw Refused::by('bleed', ['repair-first']);
        }
    }

    private function figures(Entry $entry): void
    {
        Composer::withFigures([], Story::figuresOf($entry));
    }

    private function bleedSetup(JobState $state, Entry $entry): void
    {
        $fluid = $entry->shape()->text('fluid');
        if ($fluid !== $entry->shape()->text('plate')) {
            throw Refused::by('bleed', ['fluid-mismatch']);
        }
        if (true === $state->field?->layout->modulator && !($this->catalogue->bleeding->fluids[$fluid]['modulator'] ?? false)) {
            throw Refused::by('bleed', ['fluid-modulator']);
        }
    }

    private function handover(JobState $state): void
    {
        if (!$state->proof->passed()) {
            throw Refused::by('handover', ['proof-first']);
        }
        if (!$state->road()->isOpen()) {
            throw Refused::by('road', $state->road()->unmet);
        }
        if (!$state->mayHandOver()) {
            throw Refused::by('handover', ['safety-items']);
        }
    }

    private function undo(JobState $state, Entry $entry): void
    {
        if (!$state->story->stands($entry->shape()->text('cancels'))) {
            throw Refused::by('undo', ['nothing-to-undo']);
        }
    }

    private function waive(JobState $state, Entry $entry): void
    {
        if ('' === trim($entry->shape()->text('reason'))) {
            throw Refused::by('waive', ['reason-first']);
        }
        if (null === $state->proof->criterion($entry->shape()->text('criterion'))) {
            throw $entry->shape()->wrong('criterion', 'the proof has no such criterion');
        }
    }

    private function overridden(JobState $state, string $gate): bool
    {
        foreach ($state->story->now()->all(Kind::Override) as $entry) {
            if ($entry->shape()->text('gate') === $gate) {
                return true;
            }
        }

        return false;
    }
}
