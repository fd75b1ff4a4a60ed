<?php

declare(strict_types=1);

namespace Rodrel\Core\Log\Payload;

use Rodrel\Core\Log\Door;
use Rodrel\Core\Log\Entry;
use Rodrel\Core\Log\Kind;
use Rodrel\Core\Shape;
use Rodrel\Core\Vehicle\Composer;

/** The vehicle's own figures from its service data: bores, masses, limits; and torques by step of the repair sheets. */
final readonly class FiguresPayload implements Payload
{
    /**
     * @param array<string, Figure> $figures
     * @param array<string, Figure> $torques
     */
    public function __construct(public array $figures, public array $torques)
    {
    }

    public static function kind(): Kind
    {
        return Kind::Figures;
    }

    public static function read(Shape $shape): self
    {
        return new self(
            array_map(Figure::read(...), $shape->each('figures')),
            array_map(Figure::read(...), $shape->each('torques')),
        );
    }

    public function write(): array
    {
        $written = static fn (Figure $figure): array => $figure->write();

        return [
            'figures' => array_map($written, $this->figures),
            'torques' => array_map($written, $this->torques),
        ];
    }

    public static function schema(): array
    {
        return Schema::object(['figures' => Schema::map(Schema::FIGURE), 'torques' => Schema::map(Schema::FIGURE)]);
    }

    public function rule(Door $door, Entry $entry): void
    {
        Composer::checkFigures($this->cores());
    }

    /** @return array<string, float> in core units */
    public function cores(): array
    {
        return array_map(static fn (Figure $figure): float => $figure->core, $this->figures);
    }
}
