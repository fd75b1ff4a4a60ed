<?php

declare(strict_types=1);

namespace App\Report;

use App\Account\UserRepository;
use App\Job\LoadedJob;
use App\Text\Say;
use Rodrel\Core\Job\Entry;
use Rodrel\Core\Job\Kind;
use Rodrel\Core\Proof\Criterion;

/** What a report says, on the screen and on paper. */
final readonly class ReportView
{
    public function __construct(private UserRepository $users, private LogView $log, private Say $say)
    {
    }

    /** @return array<string, mixed> */
    public function of(LoadedJob $loaded): array
    {
        $story = $loaded->state->story;
        $names = $this->users->names();

        return [
            'findings' => array_map(static fn (Entry $entry): array => ['sentence' => $entry->shape()->text('sentence'), 'mass' => $entry->shape()->number('mass'), 'arguments' => $entry->shape()->each('arguments'), 'by' => $names[$entry->author] ?? '', 'at' => $entry->takenAt], $this->carriedOut($loaded)),
            'repairs' => array_map(fn (Entry $entry): string => $this->say->text('repair.'.explode('@', $entry->shape()->text('group'))[0].'.do').', '.$this->say->place(explode('@', $entry->shape()->text('group'))[1]), $story->all(Kind::Repaired)),
            'torques' => $this->torques($loaded),
            'criteria' => null === $loaded->state->repaired ? [] : array_map(fn (Criterion $c): array => ['name' => $this->say->ui('proof.'.$c->id.'.name'), 'status' => $c->status, 'reason' => $c->reason], $loaded->state->proof->criteria),
            'items' => array_map(fn (Entry $entry): array => ['text' => $this->say->item($entry), 'due' => $entry->shape()->text('due', ''), 'safety' => $entry->shape()->flag('safety')], $story->openItems()),
            'handedOver' => $story->last(Kind::Handover),
            'names' => $names,
            'log' => $this->log->of($loaded, $names),
            'opened' => $loaded->job->openedAt(),
            'job' => $loaded->job,
        ];
    }

    /** @return list<Entry> the findings that a repair followed from, and the one that stands now */
    private function carriedOut(LoadedJob $loaded): array
    {
        $story = $loaded->state->story;
        $sheets = array_map(static fn (Entry $entry): string => $entry->shape()->text('sheet'), $story->all(Kind::Repaired));

        return array_values(array_filter($story->all(Kind::Finding), static fn (Entry $entry): bool => \in_array($entry->id, $sheets, true) || $entry->id === $story->finding()?->id));
    }

    /** @return list<array{step: string, figure: string}> */
    private function torques(LoadedJob $loaded): array
    {
        $torques = [];
        foreach ($loaded->state->story->all(Kind::Step) as $entry) {
            if ($entry->shape()->has('figure')) {
                $figure = $entry->shape()->in('figure');
                $typed = $figure->text('typed');
                $torques[] = ['step' => $this->say->text('step.'.$entry->shape()->text('step')), 'figure' => is_numeric(str_replace(',', '.', $typed)) ? $typed.' '.$figure->text('unit') : $typed];
            }
        }

        return $torques;
    }
}
