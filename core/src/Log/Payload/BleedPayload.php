<?php

declare(strict_types=1);

namespace Rodrel\Core\Log\Payload;

use Rodrel\Core\Bleeding\BleedMethod;
use Rodrel\Core\Bleeding\BleedPoint;
use Rodrel\Core\InvalidData;
use Rodrel\Core\Log\Door;
use Rodrel\Core\Log\Entry;
use Rodrel\Core\Log\Kind;
use Rodrel\Core\Log\OpenJoints;
use Rodrel\Core\Log\Refused;
use Rodrel\Core\Shape;
use Rodrel\Core\Vocabulary\Corner;

/** What came out of one bleeder: counted in strokes or mL, with or without bubbles, how much of it clear. */
final readonly class BleedPayload implements Payload
{
    public const UNITS = ['strokes', 'ml'];
    public const BUBBLES = ['none', 'few', 'many'];

    /**
     * @param int $count strokes or mL, as `$unit` says
     * @param BleedHow $how the method at this bleeder, where it is another one than the run's
     */
    public function __construct(
        public BleedPoint $at,
        public int $count,
        public string $unit,
        public string $bubbles,
        public int $clear,
        public string $colour = '',
        public BleedHow $how = new BleedHow(),
    ) {
    }

    public static function kind(): Kind
    {
        return Kind::Bleed;
    }

    public static function read(Shape $shape): self
    {
        $place = $shape->has('place')
            ? $shape->choice('place', BleedPoint::ELSEWHERE)
            : $shape->oneOf('corner', Corner::class)->value;

        return new self(
            new BleedPoint($place, $shape->choice('bleeder', BleedPoint::BLEEDERS, '')),
            (int) $shape->notNegative('strokes'),
            $shape->choice('unit', self::UNITS, 'strokes'),
            $shape->choice('bubbles', self::BUBBLES),
            (int) $shape->notNegative('clear', 0.0),
            $shape->text('colour', ''),
            BleedHow::read($shape),
        );
    }

    public function write(): array
    {
        return [
            null === $this->at->corner() ? 'place' : 'corner' => $this->at->place,
            'bleeder' => $this->at->bleeder,
            'strokes' => $this->count,
            'unit' => $this->unit,
            'bubbles' => $this->bubbles,
            'clear' => $this->clear,
            'colour' => $this->colour,
            ...$this->how->write(),
        ];
    }

    public static function schema(): array
    {
        $fields = [
            'bleeder' => Schema::words(BleedPoint::BLEEDERS),
            'strokes' => Schema::COUNT,
            'unit' => Schema::words(self::UNITS),
            'bubbles' => Schema::words(self::BUBBLES),
            'clear' => Schema::COUNT,
            'colour' => Schema::TEXT,
        ];

        return Schema::object([
            'corner' => Schema::CORNER,
            'place' => Schema::words(BleedPoint::ELSEWHERE),
            ...$fields,
            'method' => Schema::TEXT,
            'minutes' => Schema::COUNT,
            'kpa' => Schema::COUNT,
        ], array_keys($fields));
    }

    public function rule(Door $door, Entry $entry): void
    {
        if (OpenJoints::any($door)) {
            throw Refused::by('bleed', ['joint-open']);
        }
        $methods = $door->catalogue()->bleeding->methods;
        if ('' !== $this->how->method && !isset($methods[$this->how->method])) {
            throw InvalidData::at('/bleed/method', 'one of '.implode(', ', array_keys($methods)).' is expected');
        }
        $most = max(0.0, ...array_values(
            array_map(static fn (BleedMethod $one): float => $one->mostKpa ?? 0.0, $methods),
        ));
        if ($this->how->kpa > $most) {
            throw InvalidData::at('/bleed/kpa', \sprintf('never more than %d kPa at the reservoir', $most));
        }
    }
}
