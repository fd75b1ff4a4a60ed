<?php

declare(strict_types=1);

namespace Rodrel\Core\Log\Payload;

use Rodrel\Core\Quantity\Measured;
use Rodrel\Core\Shape;

/** A number as it was typed, its unit, and its value in the core's unit. */
final readonly class Figure
{
    public function __construct(public string $typed, public string $unit, public float $core)
    {
    }

    public static function of(Measured $measured): self
    {
        return new self($measured->typed, $measured->unit->value, $measured->core);
    }

    public static function read(Shape $shape): self
    {
        return new self($shape->text('typed', ''), $shape->text('unit', ''), $shape->number('core'));
    }

    /** @return array{typed: string, unit: string, core: float} */
    public function write(): array
    {
        return ['typed' => $this->typed, 'unit' => $this->unit, 'core' => $this->core];
    }

    /** As typed, with its unit where only a number was typed. */
    public function said(): string
    {
        $bare = is_numeric(str_replace(',', '.', $this->typed));

        return $bare && '' !== $this->unit ? $this->typed.' '.$this->unit : $this->typed;
    }
}
