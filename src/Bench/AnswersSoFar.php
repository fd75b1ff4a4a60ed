<?php

declare(strict_types=1);

namespace App\Bench;

use App\Account\UserRepository;
use App\Job\LoadedJob;
use App\Text\Say;
use Rodrel\Core\Log\Payload\ReadingPayload;
use Rodrel\Core\Vocabulary\CheckAt;

/** Who answered which row of a check in this epoch: whose answer stands, and whose was another. */
final readonly class AnswersSoFar
{
    public function __construct(private Say $say, private UserRepository $users)
    {
    }

    /**
     * @return array<string, array{said: string, who: string, at: \DateTimeImmutable, differs: string}> by row;
     *     `differs` names everybody whose answer to it was another one
     */
    public function of(LoadedJob $loaded, CheckAt $at): array
    {
        $names = $this->users->names();
        $claimed = [];
        foreach ($loaded->log as $entry) {
            $claimed[$entry->id()->toRfc4122()] = $entry->claim()?->name;
        }
        $takes = [];
        foreach ($loaded->state->story->now()->entriesOf(ReadingPayload::class) as $entry) {
            if (!$entry->payload->check->is($at)) {
                continue;
            }
            // a reading of a round stands under the round's id and its number
            $who = $claimed[explode('#', $entry->id)[0]] ?? $names[$entry->author] ?? '';
            foreach ($entry->payload->outcomes as $row => $word) {
                $takes[$row][] = ['said' => $this->say->word($at, (string) $row, $word), 'who' => $who]
                    + ['at' => $entry->takenAt];
            }
            foreach ($entry->payload->numbers as $row => $number) {
                $takes[$row][] = ['said' => $number->figure->said(), 'who' => $who, 'at' => $entry->takenAt];
            }
        }

        return array_map($this->standing(...), $takes);
    }

    /**
     * @param non-empty-list<array{said: string, who: string, at: \DateTimeImmutable}> $takes in their order
     *
     * @return array{said: string, who: string, at: \DateTimeImmutable, differs: string}
     */
    private function standing(array $takes): array
    {
        usort($takes, static fn (array $a, array $b): int => $a['at'] <=> $b['at']);
        $stands = array_pop($takes);
        $differs = [];
        foreach ($takes as $take) {
            if ($take['said'] !== $stands['said']) {
                $said = ['who' => $take['who'], 'said' => $take['said']];
                $differs[$take['who']] = $this->say->ui('check.said-by', $said);
            }
        }

        return $stands + ['differs' => implode(', ', $differs)];
    }
}
