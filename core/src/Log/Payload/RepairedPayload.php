<?php

declare(strict_types=1);

namespace Rodrel\Core\Log\Payload;

use Rodrel\Core\Bleeding\BleedPlan;
use Rodrel\Core\InvalidData;
use Rodrel\Core\Log\Door;
use Rodrel\Core\Log\Entry;
use Rodrel\Core\Log\Kind;
use Rodrel\Core\Log\Refused;
use Rodrel\Core\Shape;
use Rodrel\Core\Vocabulary\GroupAt;

/** The repair is finished: a new epoch begins. Names the finding that its sheet followed. */
final readonly class RepairedPayload implements Payload
{
    /** @param list<GroupAt> $also what else was changed in the same visit */
    public function __construct(public GroupAt $group, public string $sheet, public array $also = [])
    {
    }

    /** @return non-empty-list<GroupAt> all that was changed, the finding's first */
    public function groups(): array
    {
        return [$this->group, ...$this->also];
    }

    public static function kind(): Kind
    {
        return Kind::Repaired;
    }

    public static function read(Shape $shape): self
    {
        return new self(
            GroupAt::parse($shape->text('group')),
            $shape->text('sheet', ''),
            array_map(GroupAt::parse(...), $shape->texts('also')),
        );
    }

    public function write(): array
    {
        $also = [] === $this->also ? [] : ['also' => array_map(strval(...), $this->also)];

        return ['group' => (string) $this->group, 'sheet' => $this->sheet] + $also;
    }

    public static function schema(): array
    {
        return Schema::object(
            ['group' => Schema::GROUP_AT, 'sheet' => Schema::TEXT, 'also' => Schema::list(Schema::GROUP_AT)],
            ['group', 'sheet'],
        );
    }

    public function rule(Door $door, Entry $entry): void
    {
        $finding = $door->story()->finding() ?? throw Refused::by('repair', ['finding-first']);
        if (!$finding->payload->group->is($this->group)) {
            throw InvalidData::at('/repaired/group', 'the signed finding names another repair');
        }
        $sheet = $door->sheet() ?? throw Refused::by('repair', ['finding-first']);
        $named = array_map(strval(...), $this->groups());
        $listed = array_map(strval(...), $sheet->groups);
        if ([] !== array_diff($named, $listed) || [] !== array_diff($listed, $named)) {
            throw Refused::by('repair', ['lines-differ']);
        }
        // a wheel stays off until its brake is bled
        $bleeds = [] !== BleedPlan::opened($door->catalogue()->repairs, $this->groups());
        foreach ($sheet->steps as $step) {
            $wanted = $step->step->required && !($bleeds && $step->step->isAfterRun());
            foreach ($wanted ? $step->names : [] as $names) {
                if (null === $door->story()->stepDone($finding->id, ...$names)) {
                    throw Refused::by('repair', ['steps-first']);
                }
            }
        }
    }
}
