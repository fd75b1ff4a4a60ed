<?php

declare(strict_types=1);

namespace App\Report;

use App\Job\LoadedJob;
use App\Text\Say;
use Rodrel\Core\Job\Entry;
use Rodrel\Core\Job\Kind;

/** Every line of the log in words, oldest first, undone ones marked. */
final readonly class LogView
{
    public function __construct(private Say $say)
    {
    }

    /**
     * @param array<string, string> $names
     *
     * @return list<array{at: \DateTimeImmutable, who: string, kind: string, said: string, undone: bool}>
     */
    public function of(LoadedJob $loaded, array $names): array
    {
        $undone = array_map(static fn (Entry $entry): string => $entry->id, $loaded->state->story->undone);
        $lines = [];
        foreach ($loaded->log as $stored) {
            $entry = $stored->toCore();
            $lines[] = ['at' => $entry->takenAt, 'who' => $names[$entry->author] ?? '', 'kind' => $this->say->ui('kind.'.$entry->kind->value), 'said' => $this->said($entry), 'undone' => \in_array($entry->id, $undone, true)];
        }

        return $lines;
    }

    private function said(Entry $entry): string
    {
        $shape = $entry->shape();

        return match ($entry->kind) {
            Kind::Intake => $this->say->complaint($entry),
            Kind::Reading => $this->reading($entry),
            Kind::Lift => $this->say->ui('lift.'.$shape->text('to')),
            Kind::Finding => $shape->text('sentence'),
            Kind::Prepared => $this->say->text('prepare.'.$shape->text('item')),
            Kind::Step => $this->say->text('step.'.$shape->text('step')).($shape->has('figure') ? ': '.$shape->in('figure')->text('typed') : ''),
            Kind::Repaired => $this->say->group($shape->text('group')),
            Kind::Bleed => $this->say->ui('bleed.line', ['place' => $this->say->place($shape->text('corner')), 'strokes' => (string) (int) $shape->number('strokes'), 'unit' => $this->say->ui('bleed.unit-'.$shape->text('unit', 'strokes')), 'bubbles' => $this->say->ui('bubbles.'.$shape->text('bubbles'))]),
            Kind::Figures => implode(', ', array_map(fn (string $name): string => $this->say->ui('vehicle.'.str_replace('_', '-', $name)).' '.$shape->in('figures')->in($name)->text('typed'), array_keys($shape->each('figures')))),
            Kind::BleedSetup => $this->say->ui('bleed.method-'.$shape->text('method')).', '.$this->say->ui('bleed.fluid-'.$shape->text('fluid')),
            Kind::Waive, Kind::Override => $shape->text('reason'),
            Kind::Item => $this->say->item($entry),
            Kind::Photo => str_starts_with($shape->text('about'), 'check:') ? $this->say->check(substr($shape->text('about'), 6)) : $this->say->text('step.'.substr($shape->text('about'), 5)),
            Kind::Cool, Kind::Undo, Kind::Confirm, Kind::Bled, Kind::Settled, Kind::Handover => '',
        };
    }

    private function reading(Entry $entry): string
    {
        $check = $entry->shape()->text('check');
        $outcomes = [];
        foreach ($entry->shape()->raw('outcomes') as $row => $word) {
            $outcomes[(string) $row] = \is_string($word) ? $word : '';
        }
        $said = [] === $outcomes ? [] : [$this->say->outcome($check, $outcomes)];
        foreach ($entry->shape()->each('numbers') as $row => $number) {
            $said[] = ('' === $row ? '' : $this->say->row($check, $row).' ').$number->text('typed');
        }

        return $this->say->check($check).': '.implode(', ', $said);
    }
}
