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

/** The repair is finished: a new epoch begins. Names the finding that its sheet followed. */
final readonly class RepairedPayload implements Payload
{
    public function __construct(public GroupAt $group, public string $sheet)
    {
    }

    public static function kind(): Kind
    {
        return Kind::Repaired;
    }

    public static function read(Shape $shape): self
    {
        return new self(GroupAt::parse($shape->text('group')), $shape->text('sheet', ''));
    }

    public function write(): array
    {
        return ['group' => (string) $this->group, 'sheet' => $this->sheet];
    }

    public static function schema(): array
    {
        return Schema::object(['group' => Schema::GROUP_AT, 'sheet' => Schema::TEXT]);
    }

    public function rule(Door $door, Entry $entry): void
    {
        $finding = $door->story()->finding() ?? throw Refused::by('repair', ['finding-first']);
        if (!$finding->payload->group->is($this->group)) {
            throw InvalidData::at('/repaired/group', 'the signed finding names another repair');
        }
        foreach ($door->catalogue()->repairs->procedureOf($this->group)->steps as $step) {
            if ($step->required && null === $door->story()->stepDone($finding->id, $step->id)) {
                throw Refused::by('repair', ['steps-first']);
            }
        }
    }
}
