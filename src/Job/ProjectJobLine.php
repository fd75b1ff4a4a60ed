<?php

declare(strict_types=1);

namespace App\Job;

use App\Account\Languages;
use App\Text\Say;
use Doctrine\ORM\EntityManagerInterface;
use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Job\Stage;
use Rodrel\Core\Log\Payload\FiguresPayload;
use Rodrel\Core\Log\Payload\ItemPayload;
use Rodrel\Core\Log\Payload\ReadingPayload;
use Rodrel\Core\Log\Payload\RepairedPayload;
use Rodrel\Core\Log\Story;
use Rodrel\Core\Vocabulary\GroupAt;
use Symfony\Component\Translation\LocaleSwitcher;

/** Writes the line of the list of jobs from where the job stands. */
final readonly class ProjectJobLine
{
    public function __construct(
        private EntityManagerInterface $entities,
        private Say $say,
        private NextThing $nextThing,
        private Catalogue $catalogue,
        private LocaleSwitcher $locale,
        private Languages $languages,
        public LineMaker $maker,
    ) {
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
        $line->of($loaded->job);
        $intake = $state->story->intake();
        $line->told = $intake?->write() ?? [];
        $line->next = ($this->nextThing)($loaded)->act->toArray();
        $line->madeBy = $this->maker->hash();
        $words = [];
        foreach ($this->languages->all as $language) {
            $words[] = $this->locale->runWithLocale($language, fn (): string => implode(' ', [
                $this->say->complaint($intake),
                $this->nextThing->title(NextAct::fromArray($line->next) ?? new NextAct(NextAct::SAY)),
                $this->words($loaded),
            ]));
        }
        $line->road
            = $state->road()->isOpen() || Stage::Done === $state->stage
                ? 'open'
                : ($state->road()->seenUnsafe
                    ? 'closed'
                    : 'unknown');
        $line->hotSpots = $this->hotSpots($loaded);
        $line->openItems = \count($state->story->openItems());
        $line->due = $this->due($state->story);
        $line->head = $loaded->head();
        $line->who = null === $last ? null : $last->authorId();
        $line->touchedAt = null === $last ? $loaded->job->openedAt() : $last->takenAt();
        $line->search = mb_strtolower(implode(' ', [$loaded->job->unit(), ...$words]));
        $this->entities->flush();
    }

    private function due(Story $story): ?\DateTimeImmutable
    {
        $days = [];
        foreach ($story->openItems() as $item) {
            $day = \DateTimeImmutable::createFromFormat('!Y-m-d', $item->payload->due);
            $days = false === $day ? $days : [...$days, $day];
        }

        return [] === $days ? null : min($days);
    }

    /** @return array<string, float> */
    private function hotSpots(LoadedJob $loaded): array
    {
        $spots = [];
        foreach ($loaded->judgement()->groups ?? [] as $group => $mass) {
            $at = GroupAt::parse($group);
            if ($this->catalogue->repairs->of($at)->isDrawn()) {
                $spots[$at->place->id] = round(($spots[$at->place->id] ?? 0.0) + $mass, 3);
            }
        }

        return array_filter($spots, static fn (float $mass): bool => $mass >= 0.2);
    }

    private function words(LoadedJob $loaded): string
    {
        $words = [];
        foreach ($loaded->state->story->entriesOf(ReadingPayload::class) as $entry) {
            $words[] = $this->say->check($entry->payload->check);
        }
        foreach ($loaded->state->story->entriesOf(ReadingPayload::class) as $entry) {
            array_push($words, ...$this->say->noted($entry->payload->check, $entry->payload->measured));
        }
        foreach ($loaded->state->story->entriesOf(ItemPayload::class) as $entry) {
            $words[] = $entry->payload->text;
        }
        foreach ($loaded->state->story->entriesOf(RepairedPayload::class) as $entry) {
            $words[] = $this->say->group($entry->payload->group);
        }
        foreach ($loaded->state->story->entriesOf(FiguresPayload::class) as $entry) {
            foreach ($entry->payload->figures as $figure) {
                $words[] = $figure->typed;
            }
        }

        return implode(' ', array_unique($words));
    }
}
