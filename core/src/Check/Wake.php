<?php

declare(strict_types=1);

namespace Rodrel\Core\Check;

use Rodrel\Core\Physics\Joint;
use Rodrel\Core\Shape;

/** What a check leaves behind it: a joint opened, something eased, something still apart. */
final readonly class Wake
{
    /**
     * @param Joint|null $opens what it opens, and shuts again
     * @param bool $eases nuts, a bleeder or a relay: nothing but the standing part of the proof shows them right again
     * @param string|null $apart what stays apart until somebody says that it is together again
     * @param float $backMinutes to put that together
     */
    private function __construct(
        public ?Joint $opens,
        public bool $eases,
        public ?string $apart,
        public float $backMinutes,
    ) {
    }

    public static function fromShape(Shape $shape): self
    {
        $leaves = $shape->in('leaves');

        return new self(
            $shape->has('opens') ? $shape->oneOf('opens', Joint::class) : null,
            $shape->flag('eases'),
            $shape->has('leaves') ? $leaves->choice('apart', self::APART) : null,
            $shape->has('leaves') ? $leaves->positive('minutes') : 0.0,
        );
    }

    /** What can stand apart. */
    public const APART = ['caliper', 'drum', 'rotor', 'master', 'relay', 'plugs', 'prop'];
}
