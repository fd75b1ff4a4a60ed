<?php

declare(strict_types=1);

namespace Rodrel\Core\Log\Payload;

use Rodrel\Core\Log\Door;
use Rodrel\Core\Log\Entry;
use Rodrel\Core\Log\Kind;
use Rodrel\Core\Shape;
use Rodrel\Core\Vocabulary\Corner;

/** What came out of one bleeder: counted in strokes or mL, with or without bubbles, how much of it clear. */
final readonly class BleedPayload implements Payload
{
    public const BLEEDERS = ['', 'inner', 'outer'];
    public const UNITS = ['strokes', 'ml'];
    public const BUBBLES = ['none', 'few', 'many'];

    /** @param int $count strokes or mL, as `$unit` says */
    public function __construct(
        public Corner $corner,
        public string $bleeder,
        public int $count,
        public string $unit,
        public string $bubbles,
        public int $clear,
        public string $colour = '',
    ) {
    }

    public static function kind(): Kind
    {
        return Kind::Bleed;
    }

    public static function read(Shape $shape): self
    {
        return new self(
            $shape->oneOf('corner', Corner::class),
            $shape->choice('bleeder', self::BLEEDERS, ''),
            (int) $shape->notNegative('strokes'),
            $shape->choice('unit', self::UNITS, 'strokes'),
            $shape->choice('bubbles', self::BUBBLES),
            (int) $shape->notNegative('clear', 0.0),
            $shape->text('colour', ''),
        );
    }

    public function write(): array
    {
        return [
            'corner' => $this->corner->value,
            'bleeder' => $this->bleeder,
            'strokes' => $this->count,
            'unit' => $this->unit,
            'bubbles' => $this->bubbles,
            'clear' => $this->clear,
            'colour' => $this->colour,
        ];
    }

    public static function schema(): array
    {
        return Schema::object([
            'corner' => Schema::CORNER,
            'bleeder' => Schema::words(self::BLEEDERS),
            'strokes' => Schema::COUNT,
            'unit' => Schema::words(self::UNITS),
            'bubbles' => Schema::words(self::BUBBLES),
            'clear' => Schema::COUNT,
            'colour' => Schema::TEXT,
        ]);
    }

    public function rule(Door $door, Entry $entry): void
    {
        // what came out came out
    }
}
