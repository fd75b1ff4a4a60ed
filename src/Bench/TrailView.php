<?php

declare(strict_types=1);

namespace App\Bench;

use App\Job\LoadedJob;
use App\Text\Say;
use Rodrel\Core\Isolation\Explanation;
use Rodrel\Core\Job\Kind;

/** The readings so far, newest first, each with the weight it gave the leading suspect. */
final readonly class TrailView
{
    public function __construct(private Say $say)
    {
    }

    /**
     * @param array<string, string> $names
     *
     * @return list<array<string, mixed>>
     */
    public function of(LoadedJob $loaded, array $names): array
    {
        $belief = $loaded->state->belief;
        $weights = [];
        $leader = $belief?->leader();
        if (null !== $belief && null !== $leader) {
            foreach (Explanation::of($belief, $leader[0]) as $argument) {
                $weights[$argument->reading->id] = $this->say->ui('weight.'.$argument->weight->value);
            }
        }
        $rows = [];
        foreach ($loaded->state->readings() as $reading) {
            $entry = explode('#', $reading->id)[0];
            $said = $this->say->outcome($reading->check, $reading->outcomes);
            $rows[] = [
                'at' => $reading->takenAt,
                'check' => $reading->check,
                'name' => $this->say->check($reading->check),
                'said' => [] === $reading->numbers ? $said : $said.' ('.$this->numbers($loaded, $entry).')',
                'unsure' => $reading->unsure,
                'weight' => $weights[$reading->id] ?? '',
                'entry' => $entry,
                'undoable' => !str_contains($reading->id, '#'),
                'who' => $this->who($loaded, $entry, $names),
            ];
        }

        return array_reverse($rows);
    }

    private function numbers(LoadedJob $loaded, string $entry): string
    {
        $said = [];
        foreach ($loaded->state->story->all(Kind::Reading) as $logged) {
            if ($logged->id === $entry) {
                foreach ($logged->shape()->each('numbers') as $number) {
                    $typed = $number->text('typed');
                    $said[] = is_numeric(str_replace(',', '.', $typed)) ? $typed.' '.$number->text('unit') : $typed;
                }
            }
        }

        return implode(', ', $said);
    }

    /** @param array<string, string> $names */
    private function who(LoadedJob $loaded, string $id, array $names): string
    {
        foreach ($loaded->state->story->entries as $entry) {
            if ($entry->id === $id) {
                return $names[$entry->author] ?? '';
            }
        }

        return '';
    }
}
