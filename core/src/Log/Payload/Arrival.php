<?php

declare(strict_types=1);

namespace Rodrel\Core\Log\Payload;

use Rodrel\Core\InvalidData;
use Rodrel\Core\Shape;
use Rodrel\Core\Vocabulary\Corner;

/**
 * How the vehicle came: with a wheel too hot to touch, driven in just now, after weeks of standing; and what is known
 * of its linings.
 */
final readonly class Arrival
{
    /** @param array<string, float> $linings mm still to go by corner, as measured on earlier visits */
    public function __construct(
        public bool $hot = false,
        public bool $drivenIn = false,
        public bool $stood = false,
        public array $linings = [],
    ) {
    }

    /** @throws InvalidData where a lining is no wheel's */
    public static function read(Shape $shape): self
    {
        $linings = $shape->numberMap('linings');
        foreach (array_keys($linings) as $corner) {
            if (null === Corner::tryFrom($corner)) {
                throw InvalidData::at('/intake/linings', \sprintf('"%s" is no wheel', $corner));
            }
        }

        return new self($shape->flag('hot'), $shape->flag('driven_in'), $shape->flag('stood'), $linings);
    }

    /** @return array<string, mixed> */
    public function write(): array
    {
        $linings = [] === $this->linings ? [] : ['linings' => $this->linings];

        return ['hot' => $this->hot, 'driven_in' => $this->drivenIn, 'stood' => $this->stood] + $linings;
    }
}
