<?php

declare(strict_types=1);

namespace App\Bench;

use App\Job\JobEntry;
use App\Job\LoadedJob;
use App\Text\Say;
use Rodrel\Core\Isolation\Reading;
use Rodrel\Core\Isolation\Weight;
use Rodrel\Core\Log\Payload\ReadingPayload;
use Rodrel\Core\Log\Payload\RoundPayload;

/** The readings so far, newest first, each with the weight it gave the leading suspect. */
final readonly class TrailView
{
    public function __construct(
        private Say $say,
        private SuspectView $suspects,
        private AnswersSoFar $answers,
    ) {
    }

    /**
     * @param array<string, string> $names
     *
     * @return list<array<string, mixed>>
     */
    public function of(LoadedJob $loaded, array $names): array
    {
        $judgement = $loaded->judgement();
        $weights = [];
        foreach (null === $judgement ? [] : $judgement->arguments[(string) $judgement->leader()] ?? [] as $spoken) {
            if (Weight::Neutral !== $spoken->weight) {
                $weights[$spoken->reading] = $this->say->ui('weight.'.$spoken->weight->value);
            }
        }
        $sways = array_map($this->suspects->sway(...), $judgement->sways ?? []);
        $numbers = $authors = [];
        foreach ($loaded->state->story->now()->entriesOf(ReadingPayload::class) as $entry) {
            $numbers[$entry->id] = [
                ...$this->numbers($entry->payload),
                ...$this->say->noted($entry->payload->check, $entry->payload->measured),
            ];
        }
        foreach ($loaded->log as $entry) {
            $authors[$entry->id()->toRfc4122()] = $this->who($entry, $names);
        }
        $rounds = $last = [];
        foreach ($loaded->state->story->now()->entriesOf(RoundPayload::class) as $round) {
            $rounds[$round->id] = $this->say->text('round.'.$round->payload->round);
        }
        foreach ($loaded->state->situation->readings as $reading) {
            $last[$reading->entry()] = $reading->id;
        }
        $rows = [];
        foreach ($loaded->state->situation->readings as $reading) {
            $said = $this->say->outcome($reading->check, $reading->outcomes);
            $entry = $reading->entry();
            $rows[] = [
                'at' => $reading->takenAt,
                'check' => (string) $reading->check,
                'name' => $this->say->check($reading->check),
                'said' => [] === ($numbers[$reading->id] ?? [])
                    ? $said
                    : $said.' ('.implode(', ', $numbers[$reading->id]).')',
                'unsure' => $reading->unsure,
                'weight' => $weights[$reading->id] ?? '',
                'did' => $sways[$reading->id]['did'] ?? '',
                'moved' => isset($weights[$reading->id]) || ($sways[$reading->id]['moved'] ?? false),
                'entry' => $entry,
                // a round is taken back as one, at the newest of its readings
                'undoable' => $reading->id === $entry || (isset($rounds[$entry]) && $last[$entry] === $reading->id),
                'round' => $rounds[$entry] ?? '',
                'who' => $authors[$entry] ?? '',
                'differs' => $this->differs($loaded, $reading),
            ];
        }

        return array_reverse($rows);
    }

    /** Whose answer to it was another one: "O. Tarrenby: two hands (left front)". */
    private function differs(LoadedJob $loaded, Reading $reading): string
    {
        $differs = [] === $reading->earlier ? [] : $this->answers->of($loaded, $reading->check);

        return implode(', ', array_unique(array_filter(array_column($differs, 'differs'))));
    }

    /** @return list<string> each by its wheel or place, where there is more than one */
    private function numbers(ReadingPayload $reading): array
    {
        $said = [];
        foreach ($reading->numbers as $row => $number) {
            $where = '' === (string) $row ? '' : $this->say->row($reading->check, (string) $row).' ';
            $said[] = $where.$number->figure->said();
        }

        return $said;
    }

    /** @param array<string, string> $names */
    private function who(JobEntry $entry, array $names): string
    {
        return $entry->claim()->name ?? $names[$entry->authorId()->toRfc4122()] ?? '';
    }
}
