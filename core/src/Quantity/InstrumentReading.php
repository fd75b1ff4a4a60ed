<?php

declare(strict_types=1);

namespace Rodrel\Core\Quantity;

use Rodrel\Core\InvalidData;
use Rodrel\Core\Shape;

/** One line that an instrument's bridge sends; see `docs/formats/instruments.md`. */
final readonly class InstrumentReading
{
    private const LONGEST = 500;
    private const LONGEST_NAME = 60;

    private function __construct(
        public Measured $measured,
        public string $instrument,
        public \DateTimeImmutable $at,
    ) {
    }

    /**
     * @param string $line JSON: kind, value, unit, time, instrument
     *
     * @throws InvalidData with the path of what is wrong
     */
    public static function parse(string $line): self
    {
        if (\strlen($line) > self::LONGEST) {
            throw InvalidData::at('/', \sprintf('a line has %d characters at most', self::LONGEST));
        }
        $data = json_decode($line, true, 4);
        if (!\is_array($data)) {
            throw InvalidData::at('/', 'one JSON object a line is expected');
        }
        $shape = new Shape($data, '');
        $kind = $shape->oneOf('kind', Quantity::class);
        $unit = $shape->oneOf('unit', Unit::class);
        if ($unit->quantity() !== $kind) {
            throw InvalidData::at('/unit', \sprintf('%s is no unit of %s', $unit->value, $kind->value));
        }
        $name = trim($shape->text('instrument'));
        if ('' === $name || mb_strlen($name) > self::LONGEST_NAME) {
            $expected = \sprintf('a name of 1 to %d characters is expected', self::LONGEST_NAME);

            throw InvalidData::at('/instrument', $expected);
        }
        $at = \DateTimeImmutable::createFromFormat(\DATE_ATOM, $shape->text('time'));
        if (false === $at) {
            throw InvalidData::at('/time', 'a time like 2026-03-02T10:40:00+00:00 is expected');
        }
        try {
            $measured = Measured::of($unit, $shape->number('value'));
        } catch (InvalidMeasure $wrong) {
            throw InvalidData::at('/value', $wrong->getMessage());
        }

        return new self($measured, $name, $at);
    }

    /** As a bridge writes it. */
    public static function line(Unit $unit, float $value, string $instrument, \DateTimeImmutable $at): string
    {
        return json_encode([
            'kind' => $unit->quantity()->value,
            'value' => round($value, 3),
            'unit' => $unit->value,
            'time' => $at->format(\DATE_ATOM),
            'instrument' => $instrument,
        ], \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_PRESERVE_ZERO_FRACTION);
    }
}
