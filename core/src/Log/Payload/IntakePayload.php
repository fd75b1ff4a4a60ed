<?php

declare(strict_types=1);

namespace Rodrel\Core\Log\Payload;

use Rodrel\Core\InvalidData;
use Rodrel\Core\Log\Door;
use Rodrel\Core\Log\Entry;
use Rodrel\Core\Log\Kind;
use Rodrel\Core\Shape;

/** What the driver said, in which state the vehicle came, and what was fitted lately. */
final readonly class IntakePayload implements Payload
{
    /**
     * @param list<string> $complaints by id, the main one first; none where the driver has none
     * @param string $pattern word of the check that asks when; '' where nobody said
     * @param list<FittedPart> $parts
     * @param int $spentCents paid already for parts and work that did not cure it, in minor units
     * @param list<string> $patternsElse when the second and the third complaint happen, in their order, '' likewise
     */
    public function __construct(
        public array $complaints,
        public string $pattern,
        public Arrival $arrival,
        public array $parts,
        public string $note,
        public int $spentCents = 0,
        public array $patternsElse = [],
    ) {
    }

    public static function kind(): Kind
    {
        return Kind::Intake;
    }

    public static function read(Shape $shape): self
    {
        $complaints = $shape->texts('complaints');
        if ([] === $complaints && '' !== $shape->text('complaint', '')) {
            $complaints = [$shape->text('complaint')]; // format 1 knew one
        }

        return new self(
            $complaints,
            $shape->text('pattern', ''),
            Arrival::read($shape),
            array_values(array_map(FittedPart::read(...), $shape->each('parts'))),
            $shape->text('note', ''),
            (int) $shape->notNegative('spent_cents', 0.0),
            $shape->texts('patterns_else'),
        );
    }

    public function write(): array
    {
        return [
            'complaints' => $this->complaints,
            'pattern' => $this->pattern,
            ...$this->arrival->write(),
            'parts' => array_map(static fn (FittedPart $part): array => $part->write(), $this->parts),
            'note' => $this->note,
            'spent_cents' => $this->spentCents,
            ...[] === $this->patternsElse ? [] : ['patterns_else' => $this->patternsElse],
        ];
    }

    public static function schema(): array
    {
        $part = ['part' => Schema::TEXT, 'place' => Schema::TEXT, 'weeks' => Schema::COUNT];
        $part = Schema::object($part + ['makeshift' => Schema::TEXT], array_keys($part));

        $fields = [
            'complaints' => Schema::list(Schema::TEXT),
            'pattern' => Schema::TEXT,
            'hot' => Schema::FLAG,
            'driven_in' => Schema::FLAG,
            'stood' => Schema::FLAG,
            'parts' => Schema::list($part),
            'note' => Schema::TEXT,
        ];

        return Schema::object(
            $fields + [
                'spent_cents' => Schema::COUNT,
                'patterns_else' => Schema::list(Schema::TEXT),
                'linings' => Schema::object(array_fill_keys(['lf', 'rf', 'lr', 'rr'], Schema::NUMBER), []),
            ],
            array_keys($fields),
        );
    }

    /** @return list<FittedPart> proper parts, that were fitted lately */
    public function fitted(): array
    {
        return array_values(array_filter($this->parts, static fn (FittedPart $one): bool => '' === $one->makeshift));
    }

    /** @return list<FittedPart> what was mended by a makeshift, as far as somebody knows */
    public function makeshifts(): array
    {
        return array_values(array_filter($this->parts, static fn (FittedPart $one): bool => '' !== $one->makeshift));
    }

    public function rule(Door $door, Entry $entry): void
    {
        $catalogue = $door->catalogue();
        foreach ($this->complaints as $complaint) {
            if (!isset($catalogue->complaints->all[$complaint])) {
                throw InvalidData::at('/intake/complaints', \sprintf('there is no complaint "%s"', $complaint));
            }
        }
        foreach ($this->parts as $n => $fitted) {
            if (!isset($catalogue->parts[$fitted->part->id])) {
                throw InvalidData::at("/intake/parts/$n/part", \sprintf('there is no part "%s"', $fitted->part->id));
            }
        }
    }
}
