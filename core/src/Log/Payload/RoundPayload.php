<?php

declare(strict_types=1);

namespace Rodrel\Core\Log\Payload;

use Rodrel\Core\InvalidData;
use Rodrel\Core\Isolation\Reading;
use Rodrel\Core\Log\Door;
use Rodrel\Core\Log\Entry;
use Rodrel\Core\Log\Kind;
use Rodrel\Core\Log\Refused;
use Rodrel\Core\Shape;

/**
 * A round walked: every check that was answered on it, and every row that was shown and not read. It stands or falls as
 * one.
 */
final readonly class RoundPayload implements Payload
{
    /**
     * @param list<ReadingPayload> $answers in the order of the walk
     * @param array<string, list<string>> $left rows that were shown and left open, by check at its place
     */
    public function __construct(public string $round, public array $answers, public array $left = [])
    {
    }

    public static function kind(): Kind
    {
        return Kind::Round;
    }

    public static function read(Shape $shape): self
    {
        $left = [];
        foreach ($shape->in('left')->keys() as $check) {
            $left[$check] = $shape->in('left')->texts($check);
        }

        return new self(
            $shape->text('round'),
            array_values(array_map(ReadingPayload::read(...), $shape->each('answers'))),
            $left,
        );
    }

    public function write(): array
    {
        return [
            'round' => $this->round,
            'answers' => array_map(static fn (ReadingPayload $one): array => $one->write(), $this->answers),
            'left' => $this->left,
        ];
    }

    public static function schema(): array
    {
        return Schema::object([
            'round' => Schema::TEXT,
            'answers' => Schema::list(ReadingPayload::schema()),
            'left' => Schema::map(Schema::list(Schema::TEXT)),
        ]);
    }

    public function rule(Door $door, Entry $entry): void
    {
        $catalogue = $door->catalogue();
        if (!$catalogue->rounds->has($this->round)) {
            throw InvalidData::at('/round/round', 'there is no such round');
        }
        if ([] === $this->answers) {
            throw InvalidData::at('/round/answers', 'at least one row is answered');
        }
        $now = $door->situation();
        $seen = [];
        foreach ($this->answers as $n => $answer) {
            $at = (string) $answer->check;
            if (isset($seen[$at])) {
                throw InvalidData::at("/round/answers/$n/check", 'this check stands here twice');
            }
            $seen[$at] = true;
            $check = $catalogue->checks->of($answer->check);
            foreach ($answer->covered as $row) {
                if (!isset($answer->outcomes[$row]) || !$catalogue->rounds->mayBeCovered($check, $row)) {
                    throw InvalidData::at("/round/answers/$n/covered", 'this row is answered by name');
                }
            }
            try {
                $answer->allow($door, $now);
            } catch (Refused $refused) {
                throw $refused->of($answer->check);
            }
            // what the walk has shown so far stands before what comes after it: nobody presses on what he saw wet
            $now = [] === $answer->outcomes ? $now : $now->with(
                new Reading($entry->id.'#'.($n + 1), $answer->check, $answer->outcomes, false, $entry->takenAt),
            );
        }
    }

    /**
     * The readings that it stands for, each as an entry of its own, `id#1` first.
     *
     * @param Entry<RoundPayload> $entry
     *
     * @return list<Entry<ReadingPayload>>
     */
    public static function readings(Entry $entry): array
    {
        $readings = [];
        foreach ($entry->payload->answers as $n => $answer) {
            $id = $entry->id.'#'.($n + 1);
            $readings[] = new Entry($id, $entry->seq, $answer, $entry->author, $entry->takenAt, $entry->claim);
        }

        return $readings;
    }
}
