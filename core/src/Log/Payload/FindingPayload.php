<?php

declare(strict_types=1);

namespace Rodrel\Core\Log\Payload;

use Rodrel\Core\Log\Door;
use Rodrel\Core\Log\Entry;
use Rodrel\Core\Log\Kind;
use Rodrel\Core\Log\Refused;
use Rodrel\Core\Shape;
use Rodrel\Core\Vocabulary\CheckAt;
use Rodrel\Core\Vocabulary\GroupAt;
use Rodrel\Core\Vocabulary\Place;

/** A finding signed, frozen with what it rested on. */
final readonly class FindingPayload implements Payload
{
    /**
     * @param Said $sentence as it stood on the screen
     * @param float $mass belief in the group
     * @param float $second belief in a second fault
     * @param list<string> $readings ids of the entries it rested on
     * @param list<array{check: string, said: string, ratio: float, weight: string}> $arguments
     */
    public function __construct(
        public GroupAt $group,
        public Said $sentence,
        public float $mass,
        public float $second,
        public array $readings,
        public array $arguments,
        public FindingNotes $notes,
    ) {
    }

    public static function kind(): Kind
    {
        return Kind::Finding;
    }

    public static function read(Shape $shape): self
    {
        $arguments = [];
        foreach ($shape->each('arguments') as $argument) {
            $arguments[] = [
                'check' => $argument->text('check'),
                'said' => $argument->text('said'),
                'ratio' => $argument->number('ratio'),
                'weight' => $argument->text('weight'),
            ];
        }

        return new self(
            GroupAt::parse($shape->text('group')),
            Said::read($shape),
            $shape->number('mass'),
            $shape->number('second', 0.0),
            $shape->texts('readings'),
            $arguments,
            FindingNotes::read($shape),
        );
    }

    public function write(): array
    {
        return [
            'group' => (string) $this->group,
            ...$this->sentence->write(),
            'mass' => $this->mass,
            'second' => $this->second,
            'readings' => $this->readings,
            'arguments' => $this->arguments,
            ...$this->notes->write(),
        ];
    }

    public static function schema(): array
    {
        $argument = Schema::object([
            'check' => Schema::TEXT,
            'said' => Schema::TEXT,
            'ratio' => Schema::NUMBER,
            'weight' => Schema::TEXT,
        ]);

        return Schema::object([
            'group' => Schema::GROUP_AT,
            'sentence' => Schema::TEXT,
            'key' => Schema::TEXT,
            'parameters' => Schema::map(Schema::TEXT),
            'mass' => Schema::NUMBER,
            'second' => Schema::NUMBER,
            'readings' => Schema::list(Schema::TEXT),
            'arguments' => Schema::list($argument),
            'against' => Schema::TEXT,
            'catalogue' => Schema::TEXT,
            'signature' => Schema::TEXT,
        ]);
    }

    public function rule(Door $door, Entry $entry): void
    {
        $wants = $door->catalogue()->repairs->of($this->group)->opening->wantsSeen;
        foreach ($wants as $row) {
            if (null === $door->situation()->outcome(CheckAt::of('look', Place::vehicle()), $row)) {
                throw Refused::by('finding', ['look-first']);
            }
        }
        if (!$door->isPredicted()) {
            throw Refused::by('finding', ['predictions-first']);
        }
        if ([] === $door->situation()->readings) {
            throw Refused::by('finding', ['reading-first']);
        }
    }
}
