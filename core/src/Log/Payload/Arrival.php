<?php

declare(strict_types=1);

namespace Rodrel\Core\Log\Payload;

use Rodrel\Core\Shape;

/** How the vehicle came: with a wheel too hot to touch, driven in just now, after weeks of standing. */
final readonly class Arrival
{
    public function __construct(public bool $hot = false, public bool $drivenIn = false, public bool $stood = false)
    {
    }

    public static function read(Shape $shape): self
    {
        return new self($shape->flag('hot'), $shape->flag('driven_in'), $shape->flag('stood'));
    }

    /** @return array{hot: bool, driven_in: bool, stood: bool} */
    public function write(): array
    {
        return ['hot' => $this->hot, 'driven_in' => $this->drivenIn, 'stood' => $this->stood];
    }
}
