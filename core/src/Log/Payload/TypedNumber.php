<?php

declare(strict_types=1);

namespace Rodrel\Core\Log\Payload;

use Rodrel\Core\Shape;

/** A number typed on a check's sheet; a temperature knows how it was taken. */
final readonly class TypedNumber
{
    public function __construct(public Figure $figure, public ?Temperature $taken = null)
    {
    }

    public static function read(Shape $shape): self
    {
        $figure = Figure::read($shape);

        return new self($figure, $shape->has('air_c') ? Temperature::read($shape, $figure->core) : null);
    }

    /** @return array<string, float|string> */
    public function write(): array
    {
        return $this->figure->write() + ($this->taken?->write() ?? []);
    }

    /** @return array<string, mixed> */
    public static function schema(): array
    {
        $schema = Schema::FIGURE;
        $schema['additionalProperties'] = false;
        $schema['properties'] += Temperature::schema();

        return $schema;
    }
}
