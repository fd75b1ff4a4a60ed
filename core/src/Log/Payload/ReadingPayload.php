<?php

declare(strict_types=1);

namespace Rodrel\Core\Log\Payload;

use Rodrel\Core\InvalidData;
use Rodrel\Core\Isolation\Gate;
use Rodrel\Core\Isolation\Situation;
use Rodrel\Core\Log\Door;
use Rodrel\Core\Log\Entry;
use Rodrel\Core\Log\Kind;
use Rodrel\Core\Log\Refused;
use Rodrel\Core\Shape;
use Rodrel\Core\Vocabulary\CheckAt;

/** A check answered: words, typed numbers, and the figures behind a word that was made out of them. */
final readonly class ReadingPayload implements Payload
{
    /**
     * @param array<string, string> $outcomes word by row
     * @param array<string, TypedNumber> $numbers by row
     * @param TypedNumber|null $again the first wheel of a heat round once more
     * @param array<string, string> $measured figures behind a judged word, as typed
     * @param list<string> $covered rows of a round that were answered by "nothing else odd"
     */
    public function __construct(
        public CheckAt $check,
        public array $outcomes,
        public array $numbers = [],
        public bool $unsure = false,
        public ?TypedNumber $again = null,
        public array $measured = [],
        public array $covered = [],
    ) {
    }

    public static function kind(): Kind
    {
        return Kind::Reading;
    }

    public static function read(Shape $shape): self
    {
        $texts = static function (string $key) use ($shape): array {
            $texts = [];
            foreach ($shape->in($key)->keys() as $name) {
                $texts[$name] = $shape->in($key)->text($name);
            }

            return $texts;
        };
        $check = CheckAt::tryParse($shape->text('check'));

        return new self(
            $check ?? throw $shape->wrong('check', 'a check at its place is expected, like spin@vehicle'),
            $texts('outcomes'),
            array_map(TypedNumber::read(...), $shape->each('numbers')),
            $shape->flag('unsure'),
            $shape->in('again')->has('core') ? TypedNumber::read($shape->in('again')) : null,
            $texts('measured'),
            $shape->texts('covered'),
        );
    }

    public function write(): array
    {
        return array_filter(
            [
                'check' => (string) $this->check,
                'outcomes' => $this->outcomes,
                'numbers' => array_map(static fn (TypedNumber $number): array => $number->write(), $this->numbers),
                'again' => $this->again?->write() ?? [],
                'measured' => $this->measured,
                'unsure' => $this->unsure,
                'covered' => $this->covered,
            ],
            static fn (mixed $value): bool => [] !== $value,
        );
    }

    public static function schema(): array
    {
        return Schema::object(
            [
                'check' => Schema::CHECK_AT,
                'outcomes' => Schema::map(Schema::TEXT),
                'numbers' => Schema::map(TypedNumber::schema()),
                'again' => TypedNumber::schema(),
                'measured' => Schema::map(Schema::TEXT),
                'unsure' => Schema::FLAG,
                'covered' => Schema::list(Schema::TEXT),
            ],
            ['check'],
        );
    }

    /**
     * The same, with the rows that one tap answered.
     *
     * @param list<string> $rows
     */
    public function covering(array $rows): self
    {
        return new self(
            $this->check,
            $this->outcomes,
            $this->numbers,
            $this->unsure,
            $this->again,
            $this->measured,
            $rows,
        );
    }

    public function rule(Door $door, Entry $entry): void
    {
        if ([] !== $this->covered) {
            throw InvalidData::at('/reading/covered', 'only a round covers rows');
        }
        $this->allow($door, $door->situation());
    }

    /**
     * The same on a round, where what was answered before it counts already.
     *
     * @throws Refused     with what to do first
     * @throws InvalidData when it names what does not exist
     */
    public function allow(Door $door, Situation $now): void
    {
        $catalogue = $door->catalogue();
        $check = $catalogue->checks->of($this->check);
        if (!$check->places->has($door->layout(), $this->check->place)) {
            throw InvalidData::at('/reading/check', 'this vehicle has no such place');
        }
        foreach ($this->outcomes as $row => $word) {
            if (!\in_array($word, $check->row($row)?->observer->words() ?? [], true)) {
                throw InvalidData::at('/reading/outcomes/'.$row, 'unknown row or outcome');
            }
        }
        foreach (array_keys($this->numbers) as $row) {
            if (null === $check->row($row)?->observer->typed) {
                throw InvalidData::at('/reading/numbers/'.$row, 'this row takes no number');
            }
        }
        if ([] === $this->outcomes && [] === $this->numbers) {
            throw InvalidData::at('/reading/outcomes', 'at least one row is answered');
        }
        foreach (
            $catalogue->gates->closedFor($check, $this->check->place, $now, $catalogue->checks) as $gate
        ) {
            if (!$gate->overridable || !$this->overridden($door, $gate)) {
                throw Refused::by($gate->id, $gate->unmet, $gate->overridable);
            }
        }
    }

    private function overridden(Door $door, Gate $gate): bool
    {
        foreach ($door->story()->now()->said(OverridePayload::class) as $override) {
            if ($override->gate === $gate->id) {
                return true;
            }
        }

        return false;
    }
}
