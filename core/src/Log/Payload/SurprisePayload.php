<?php

declare(strict_types=1);

namespace Rodrel\Core\Log\Payload;

use Rodrel\Core\InvalidData;
use Rodrel\Core\Log\Door;
use Rodrel\Core\Log\Entry;
use Rodrel\Core\Log\Kind;
use Rodrel\Core\Log\Refused;
use Rodrel\Core\Shape;

/** Something unexpected at a step of a repair sheet: the step stays to be done. */
final readonly class SurprisePayload implements Payload
{
    /** What no list knows; the note says it. */
    public const OTHER = 'other';

    /** @param string $sheet the finding's entry */
    public function __construct(
        public string $sheet,
        public string $step,
        public string $surprise,
        public string $note = '',
    ) {
    }

    public static function kind(): Kind
    {
        return Kind::Surprise;
    }

    public static function read(Shape $shape): self
    {
        return new self(
            $shape->text('sheet'),
            $shape->text('step'),
            $shape->text('surprise'),
            trim($shape->text('note', '')),
        );
    }

    public function write(): array
    {
        return ['sheet' => $this->sheet, 'step' => $this->step, 'surprise' => $this->surprise, 'note' => $this->note];
    }

    public static function schema(): array
    {
        $fields = ['sheet' => Schema::TEXT, 'step' => Schema::TEXT, 'surprise' => Schema::TEXT];

        return Schema::object($fields + ['note' => Schema::TEXT], array_keys($fields));
    }

    public function rule(Door $door, Entry $entry): void
    {
        $sheet = $door->sheet() ?? throw Refused::by('repair', ['finding-first']);
        $step = $sheet->step($this->step);
        if (self::OTHER === $this->surprise) {
            '' !== $this->note || throw InvalidData::at('/surprise/note', 'what was met is expected in words');

            return;
        }
        $known = $door->catalogue()->repairs->surprisesAt($step->id);
        if (!isset($known[$this->surprise])) {
            throw InvalidData::at('/surprise/surprise', \sprintf(
                'at this step one of %s is expected',
                implode(', ', [...array_keys($known), self::OTHER]),
            ));
        }
    }
}
