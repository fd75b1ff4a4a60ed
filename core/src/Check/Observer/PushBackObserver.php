<?php

declare(strict_types=1);

namespace Rodrel\Core\Check\Observer;

use Rodrel\Core\Check\Asked;
use Rodrel\Core\Check\Chance;
use Rodrel\Core\Check\Subject;
use Rodrel\Core\Shape;

/**
 * A piston pushed back, bleeder shut and then open. Words: easy · hard, then slack by itself · hard shut, easy open ·
 * hard both ways · one of several hard both ways.
 */
final readonly class PushBackObserver extends Observer
{
    /** Where a caliper has several pistons one of them is stuck, seldom all (estimate; plausible 0.7 to 0.95). */
    private const ONE_OF_SEVERAL = 0.85;

    /**
     * @param float $movedMm travel that feels easy
     * @param float $leftShare force left that feels hard still
     * @param float $openN force that feels hard with the bleeder open
     */
    private function __construct(
        Wording $wording,
        private float $movedMm,
        private float $leftShare,
        private float $openN,
    ) {
        parent::__construct($wording);
    }

    public static function kind(): string
    {
        return 'push-back';
    }

    public static function fromShape(Shape $shape, Observers $book): self
    {
        $wording = Wording::fromShape($shape);
        if (5 !== \count($wording->words)) {
            $shape->miss('words', 'five words are expected');
        }

        return new self(
            $wording,
            $shape->positive('moved_mm'),
            $shape->share('left_share'),
            $shape->positive('open_n'),
        );
    }

    public function see(Subject $subject, Asked $asked, ?array $sign): Seen
    {
        $push = $subject->pushBack($asked->corner());
        $noise = $this->wording->noise;
        $hardOpen = Chance::above($this->openN, $push->openN, $noise);
        $easy = Chance::above($this->movedMm, $push->movedMm, $noise);
        $stays = Chance::above($this->leftShare, $push->leftShare, $noise);
        $shut = (1.0 - $hardOpen) * (1.0 - $easy);

        $several = \count($subject->instruments->layout->brake($asked->corner())->bleeders()) > 1;
        $one = $several ? self::ONE_OF_SEVERAL * $hardOpen : 0.0;

        return new Seen([
            (1.0 - $hardOpen) * $easy,
            $shut * (1.0 - $stays),
            $shut * $stays,
            $hardOpen - $one,
            $one,
        ]);
    }
}
