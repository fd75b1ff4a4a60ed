<?php

declare(strict_types=1);

namespace Rodrel\Core\Check;

use Rodrel\Core\Shape;
use Rodrel\Core\Vehicle\Measuring;

/** What else a check is for, beside its answers. */
final readonly class Role
{
    /** In `tells`: a word other than the row's first says that its wheel is held. */
    public const HELD = 'held';
    /** In `tells`: its first word says that no pressure is stored any more. */
    public const LET_GO = 'let-go';
    /** In `tells`: once it is made the spring brake of its wheel is wound back and held by its bolt. */
    public const CAGED = 'caged';

    /** The sheet that makes its word out of typed figures. */
    public ?Measuring $measures;
    /** @var list<string> what is written down beside the answers */
    public array $noted;
    /** Sheet::ROLLER or SPEEDS: a file of samples that can be read in. */
    public ?string $records;
    /** Its rows tell which wheels are held. */
    public bool $held;
    /** It tells whether stored pressure was let go. */
    public bool $discharges;
    /** It leaves the spring brake of its wheel caged. */
    public bool $cages;

    /**
     * @param string|null $tells HELD, LET_GO or CAGED
     * @param Sheet $sheet what is typed beside its answers
     * @param string|null $drawn where on the drawing it is made; null: at the wheel, or nowhere for the whole vehicle
     * @param bool $proof belongs to the proof only, is never suggested
     * @param bool $early can be made while the predictions are still being computed
     * @param bool $asked answered by the intake
     * @param list<string> $proves words that pass the proof, where the same drive is made again after the repair
     */
    private function __construct(
        ?string $tells,
        Sheet $sheet,
        public ?string $drawn,
        public bool $proof,
        public bool $early,
        public bool $asked,
        public array $proves,
    ) {
        $this->measures = $sheet->measures;
        $this->noted = $sheet->noted;
        $this->records = $sheet->records;
        $this->held = self::HELD === $tells;
        $this->discharges = self::LET_GO === $tells;
        $this->cages = self::CAGED === $tells;
    }

    public static function fromShape(Shape $shape): self
    {
        return new self(
            $shape->has('tells') ? $shape->choice('tells', [self::HELD, self::LET_GO, self::CAGED]) : null,
            Sheet::fromShape($shape),
            $shape->has('drawn') ? $shape->choice('drawn', ['pedal', 'hose', 'modulator', 'master']) : null,
            $shape->flag('proof_only'),
            $shape->flag('early'),
            $shape->flag('asked'),
            $shape->texts('proves'),
        );
    }
}
