<?php

declare(strict_types=1);

namespace Rodrel\Core\Check\Observer;

use Rodrel\Core\Check\Asked;
use Rodrel\Core\Check\Chance;
use Rodrel\Core\Check\Subject;
use Rodrel\Core\Physics\Joint;
use Rodrel\Core\Shape;

/**
 * A joint opened on a wheel that was made to stick: did it stick again, did it spurt, did the wheel come free? Words:
 * would not stick · frees · stays stuck; where the spurt is watched, spurts and frees · spurts, stuck · dribbles,
 * stuck.
 */
final readonly class OpenedObserver extends Observer
{
    /**
     * @param float $stuckN effort at the tread above which a wheel counts as stuck
     * @param float|null $spurtKpa pressure that spurts; null where nobody watches it
     * @param float $spurtSigma log-normal
     */
    private function __construct(
        Wording $wording,
        private Joint $joint,
        private float $stuckN,
        private ?float $spurtKpa,
        private float $spurtSigma,
    ) {
        parent::__construct($wording);
    }

    public static function kind(): string
    {
        return 'opened';
    }

    public static function fromShape(Shape $shape, Observers $book): self
    {
        $wording = Wording::fromShape($shape);
        $spurt = $shape->has('spurt_kpa') ? $shape->positive('spurt_kpa') : null;
        if (\count($wording->words) !== (null === $spurt ? 3 : 4) || 1 !== \count($wording->limits)) {
            $shape->miss('words', 'three words, or four where the spurt is watched, and one limit are expected');
        }

        return new self(
            $wording,
            $shape->oneOf('joint', Joint::class),
            $wording->limits[0] ?? 1.0,
            $spurt,
            null === $spurt ? 1.0 : $shape->positive('spurt_sigma'),
        );
    }

    public function see(Subject $subject, Asked $asked, ?array $sign): Seen
    {
        $trap = $subject->trap($asked->corner(), $this->joint);
        $noise = $this->wording->noise;
        $sticks = Chance::above($this->stuckN, $trap->beforeN, $noise);
        $frees = Chance::below($this->stuckN, $trap->afterN, $noise);
        if (null === $this->spurtKpa) {
            return new Seen([1.0 - $sticks, $sticks * $frees, $sticks * (1.0 - $frees)]);
        }
        $spurts = Chance::above($this->spurtKpa, $trap->kpa, $this->spurtSigma);

        return new Seen([
            1.0 - $sticks,
            $sticks * $frees,
            $sticks * (1.0 - $frees) * $spurts,
            $sticks * (1.0 - $frees) * (1.0 - $spurts),
        ]);
    }
}
