<?php

declare(strict_types=1);

namespace App\Job;

use App\Text\Say;
use Doctrine\ORM\EntityManagerInterface;
use Rodrel\Core\Job\Kind;
use Rodrel\Core\Job\Stage;

/** Writes the line of the list of jobs from where the job stands. */
final readonly class ProjectJobLine
{
    public function __construct(private EntityManagerInterface $entities, private Say $say, private NextThing $nextThing)
    {
    }

    public function __invoke(LoadedJob $loaded): void
    {
        $line = $this->entities->find(JobLine::class, $loaded->job->id());
        if (null === $line) {
            $line = new JobLine($loaded->job);
            $this->entities->persist($line);
        }
        $state = $loaded->state;
        $last = $loaded->last();
        $line->stage = $state->stage;
        $line->complaint = $this->say->complaint($state->story->intake());
        $line->next = ($this->nextThing)($loaded)->title;
        $line->road = $state->road()->isOpen() || Stage::Done === $state->stage ? 'open' : ($state->road()->seenUnsafe ? 'closed' : 'unknown');
        $line->hotSpots = $this->hotSpots($loaded);
        $line->openItems = \count($state->story->openItems());
        $line->head = $loaded->head();
        $line->who = null === $last ? null : $last->authorId();
        $line->touchedAt = null === $last ? $loaded->job->openedAt() : $last->toCore()->takenAt;
        $line->search = mb_strtolower(implode(' ', [$loaded->job->unit(), $line->complaint, $line->next, $this->words($loaded)]));
        $this->entities->flush();
    }

    /** @return array<string, float> */
    private function hotSpots(LoadedJob $loaded): array
    {
        $spots = [];
        foreach ($loaded->state->belief->groups ?? [] as $group => $mass) {
            [$part, $place] = explode('@', $group);
            if ('none' === $part) {
                continue;
            }
            $spots[$place] = round(($spots[$place] ?? 0.0) + $mass, 3);
        }

        return array_filter($spots, static fn (float $mass): bool => $mass >= 0.2);
    }

    private function words(LoadedJob $loaded): string
    {
        $words = [];
        foreach ($loaded->state->story->all(Kind::Reading) as $entry) {
            $words[] = $this->say->check($entry->shape()->text('check'));
        }
        foreach ($loaded->state->story->all(Kind::Item) as $entry) {
            $words[] = $entry->shape()->text('text');
        }

        return implode(' ', $words);
    }
}
