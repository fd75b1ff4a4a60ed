<?php

declare(strict_types=1);

namespace Rodrel\Core\Log\Payload;

use Rodrel\Core\Log\Door;
use Rodrel\Core\Log\Entry;
use Rodrel\Core\Log\Kind;
use Rodrel\Core\Log\Refused;
use Rodrel\Core\Shape;

/** A step of a repair sheet done, with its figure where it has one. The sheet is named by its finding's entry. */
final readonly class StepPayload implements Payload
{
    public function __construct(public string $sheet, public string $step, public ?Figure $figure = null)
    {
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
        );
    }

    public function write(): array
    {
        $figure = null === $this->figure ? [] : ['figure' => $this->figure->write()];

        return ['sheet' => $this->sheet, 'step' => $this->step] + $figure;
    }

    public static function schema(): array
    {
        return Schema::object(
            ['sheet' => Schema::TEXT, 'step' => Schema::TEXT, 'figure' => Schema::FIGURE],
            ['sheet', 'step'],
        );
    }

    public function rule(Door $door, Entry $entry): void
    {
        $sheet = $door->sheet() ?? throw Refused::by('repair', ['finding-first']);
        $step = $sheet->step($this->step);
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
