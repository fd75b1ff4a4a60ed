<?php

declare(strict_types=1);

namespace Rodrel\Core\Log\Payload;

use Rodrel\Core\InvalidData;
use Rodrel\Core\Log\Door;
use Rodrel\Core\Log\Entry;
use Rodrel\Core\Log\Kind;
use Rodrel\Core\Log\Refused;
use Rodrel\Core\Shape;

/**
 * A step of a repair sheet done, done differently or not needed, with its figure where it has one. The sheet is named
 * by its finding's entry.
 */
final readonly class StepPayload implements Payload
{
    public const DONE = 'done';
    public const NOT_NEEDED = 'not-needed';
    public const DIFFERENTLY = 'differently';
    public const HOWS = [self::DONE, self::NOT_NEEDED, self::DIFFERENTLY];

    /** @param string $note why it was not needed, or what was done instead */
    public function __construct(
        public string $sheet,
        public string $step,
        public ?Figure $figure = null,
        public string $how = self::DONE,
        public string $note = '',
    ) {
    }

    public static function kind(): Kind
    {
        return Kind::Step;
    }

    public static function read(Shape $shape): self
    {
        return new self(
            $shape->text('sheet'),
            $shape->text('step'),
            $shape->has('figure') ? Figure::read($shape->in('figure')) : null,
            $shape->choice('how', self::HOWS, self::DONE),
            $shape->text('note', ''),
        );
    }

    public function write(): array
    {
        $figure = null === $this->figure ? [] : ['figure' => $this->figure->write()];

        $how = self::DONE === $this->how ? [] : ['how' => $this->how, 'note' => $this->note];

        return ['sheet' => $this->sheet, 'step' => $this->step] + $figure + $how;
    }

    public static function schema(): array
    {
        return Schema::object(
            [
                'sheet' => Schema::TEXT,
                'step' => Schema::TEXT,
                'figure' => Schema::FIGURE,
                'how' => Schema::TEXT,
                'note' => Schema::TEXT,
            ],
            ['sheet', 'step'],
        );
    }

    public function rule(Door $door, Entry $entry): void
    {
        $sheet = $door->sheet() ?? throw Refused::by('repair', ['finding-first']);
        $step = $sheet->step($this->step);
        if (self::DONE !== $this->how && !$step->mayDiffer()) {
            throw Refused::by('repair', ['step-as-written']);
        }
        if (self::DONE !== $this->how && '' === trim($this->note)) {
            throw InvalidData::at('/step/note', 'why it was not needed, or what was done instead, is expected');
        }
        if (null !== $step->figure && null === $this->figure) {
            throw Refused::by('repair', ['figure-first']);
        }
        foreach ($step->last ? $sheet->steps : [] as $other) {
            foreach ($other->step->required && !$other->step->last ? $other->names : [] as $names) {
                if (null === $door->story()->stepDone($this->sheet, ...$names)) {
                    throw Refused::by('repair', ['rest-first']);
                }
            }
        }
        $ready = array_map(
            static fn (PreparedPayload $prepared): string => $prepared->item,
            $door->story()->now()->said(PreparedPayload::class),
        );
        $stored = $door->layout()->reach()->stores()
            && !$door->situation()->discharged($door->catalogue()->checks);
        if ($step->opens && $stored) {
            throw Refused::by('stored', ['discharge-first']);
        }
        if ($step->opens && [] !== array_diff(array_column($sheet->prepare, 'id'), $ready)) {
            throw Refused::by('repair', ['prepare-first']);
        }
    }
}
