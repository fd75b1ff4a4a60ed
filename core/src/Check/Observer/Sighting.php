<?php

declare(strict_types=1);

namespace Rodrel\Core\Check\Observer;

use Rodrel\Core\Shape;

/**
 * A defect that is seen, touched or measured in itself. A cause explains the complaint where it fits; a consequence was
 * made by something else; what is graded (stiff, glazed, cracked) ends no search alone.
 */
final readonly class Sighting
{
    public const CAUSE = 'cause';
    public const CONSEQUENCE = 'consequence';
    public const GRADED = 'graded';
    /** A defect that is there is seen about so often, where no fault says (estimate; 0.7 to 0.98). */
    private const SEEN = 0.9;
    /** So many times likelier on a defective part than on a good one, and so seldom there by chance: it is hard. */
    private const HARD_FALSE = 0.001;
    private const HARD_ALSO = 0.05;

    /**
     * @param string $as CAUSE, CONSEQUENCE or GRADED
     * @param float $also share of vehicles whose part has it though the complaint comes from elsewhere
     * @param float $false share of good parts of which it is said all the same
     */
    private function __construct(public string $as, public float $also, public float $false)
    {
    }

    public static function fromShape(Shape $shape): self
    {
        return new self(
            $shape->choice('as', [self::CAUSE, self::CONSEQUENCE, self::GRADED]),
            $shape->share('also'),
            $shape->share('false'),
        );
    }

    /** How often it is said of a vehicle whose complaint comes from elsewhere: s·i + m·(1 − i). */
    public function elsewhere(): float
    {
        return self::SEEN * $this->also + $this->false * (1.0 - $this->also);
    }

    /** Chance that the part has it, where it was said and the complaint comes from elsewhere. */
    public function isThere(): float
    {
        return self::SEEN * $this->also / max(1e-9, $this->elsewhere());
    }

    public function isHard(): bool
    {
        return $this->false <= self::HARD_FALSE && $this->also <= self::HARD_ALSO;
    }
}
