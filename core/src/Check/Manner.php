<?php

declare(strict_types=1);

namespace Rodrel\Core\Check;

use Rodrel\Core\Shape;

/** How a check is made: engine, helper and words, the foot's force in N, seconds held and waited, its caution. */
final readonly class Manner
{
    /** @param list<string> $spoken words for the helper, in order */
    private function __construct(
        public string $engine,
        public bool $helper,
        public array $spoken,
        public ?float $footN,
        public ?float $holdS,
        public ?float $waitS,
        public ?string $caution,
    ) {
    }

    /** Whether somebody presses the pedal for it. */
    public function presses(): bool
    {
        return null !== $this->footN || [] !== $this->spoken;
    }

    public static function fromShape(Shape $shape): self
    {
        return new self(
            $shape->choice('engine', ['any', 'on', 'off'], 'any'),
            $shape->flag('helper'),
            $shape->texts('spoken'),
            $shape->optionalNumber('foot_n'),
            $shape->optionalNumber('hold_s'),
            $shape->optionalNumber('wait_s'),
            $shape->optionalText('caution'),
        );
    }
}
