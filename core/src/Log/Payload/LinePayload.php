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

/** A line of the visit's work list put in, or taken out. The last word about a repair counts. */
final readonly class LinePayload implements Payload
{
    /** Why it is on the list: seen, goes with what was found, the other side, the customer asked for it. */
    public const WHYS = ['seen', 'with', 'side', 'asked'];
    /** Nothing wrong is no line. */
    private const NOTHING = 'none';

    public function __construct(public GroupAt $group, public bool $in, public string $why)
    {
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
        );
    }

    public function write(): array
    {
        return ['group' => (string) $this->group, 'in' => $this->in, 'why' => $this->why];
    }

    public static function schema(): array
    {
        return Schema::object(['group' => Schema::GROUP_AT, 'in' => Schema::FLAG, 'why' => Schema::TEXT]);
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
        if (true === $finding->payload->group->is($this->group)) {
            throw Refused::by('repair', ['line-is-finding']);
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
