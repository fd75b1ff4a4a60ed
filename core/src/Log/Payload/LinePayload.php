<?php

declare(strict_types=1);

namespace Rodrel\Core\Log\Payload;

use Rodrel\Core\InvalidData;
use Rodrel\Core\Log\Door;
use Rodrel\Core\Log\Entry;
use Rodrel\Core\Log\Kind;
use Rodrel\Core\Log\Refused;
use Rodrel\Core\Shape;
use Rodrel\Core\Vocabulary\GroupAt;

/**
 * A line of the visit's work list put in, taken out or put off. The last word about a repair counts. A line of the
 * finding's own repair only chooses its part.
 */
final readonly class LinePayload implements Payload
{
    /**
     * Why it is on the list: it is the finding's own, was seen, stands in the condition report, was mended before, goes
     * with what was found, is the other side, was asked for, was met on the way.
     */
    public const WHYS = ['finding', 'seen', 'condition', 'again', 'with', 'side', 'asked', 'surprise'];
    /** Nothing wrong is no line. */
    private const NOTHING = 'none';

    /**
     * @param string $part kind of part: new, exchange, rebuild, used; '' where nobody chose
     * @param string $reason why it is put off, as the customer or the shop said; '' where it is just not done
     * @param string $until the day by which it is wanted; '' for none
     */
    public function __construct(
        public GroupAt $group,
        public bool $in,
        public string $why,
        public string $part = '',
        public string $reason = '',
        public string $until = '',
    ) {
    }

    public function isPutOff(): bool
    {
        return !$this->in && '' !== $this->reason;
    }

    public static function kind(): Kind
    {
        return Kind::Line;
    }

    public static function read(Shape $shape): self
    {
        return new self(
            GroupAt::parse($shape->text('group')),
            $shape->flag('in'),
            $shape->choice('why', self::WHYS),
            $shape->text('part', ''),
            trim($shape->text('reason', '')),
            $shape->text('until', ''),
        );
    }

    public function write(): array
    {
        return ['group' => (string) $this->group, 'in' => $this->in, 'why' => $this->why]
            + array_diff(['part' => $this->part, 'reason' => $this->reason, 'until' => $this->until], ['']);
    }

    public static function schema(): array
    {
        $fields = ['group' => Schema::GROUP_AT, 'in' => Schema::FLAG, 'why' => Schema::words(self::WHYS)];

        return Schema::object(
            $fields + ['part' => Schema::TEXT, 'reason' => Schema::TEXT, 'until' => Schema::TEXT],
            array_keys($fields),
        );
    }

    public function rule(Door $door, Entry $entry): void
    {
        $there = $door->catalogue()->faults->repairsIn($door->layout());
        if (self::NOTHING === $this->group->id || !isset($there[(string) $this->group])) {
            throw InvalidData::at('/line/group', \sprintf('this vehicle has no repair "%s"', $this->group));
        }
        $finding = $door->story()->finding();
        if (null === $finding) {
            throw Refused::by('repair', ['finding-first']);
        }
        $options = $door->catalogue()->repairs->of($this->group)->options;
        if ('' !== $this->part && !isset($options[$this->part])) {
            throw InvalidData::at('/line/part', \sprintf(
                '"%s" can be had as: %s',
                $this->group,
                [] === $options ? 'one kind only' : implode(', ', array_keys($options)),
            ));
        }
        if ('' !== $this->until && false === \DateTimeImmutable::createFromFormat('!Y-m-d', $this->until)) {
            throw InvalidData::at('/line/until', 'a day is expected, as 2026-05-31');
        }
        if ($finding->payload->group->is($this->group)) {
            // it stays on the list; only its part can be chosen
            $this->in && '' !== $this->part || throw Refused::by('repair', ['line-is-finding']);

            return;
        }
        $sheet = $door->sheet();
        if ($this->in || null === $sheet) {
            return;
        }
        // what was opened for it has to be closed again
        $without = $sheet->without($door->catalogue()->repairs, $door->layout(), $this->group);
        foreach ($door->story()->entriesOf(StepPayload::class) as $done) {
            $name = $done->payload->sheet === $finding->id ? $done->payload->step : '';
            if ('' !== ($sheet->find($name)->breaks ?? '') && null === $without->find($name)) {
                throw Refused::by('repair', ['line-opened']);
            }
        }
    }
}
