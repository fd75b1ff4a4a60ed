<?php

declare(strict_types=1);

namespace Rodrel\Core\Job;

use Rodrel\Core\Check\Checks;
use Rodrel\Core\Log\Payload\ReadingPayload;
use Rodrel\Core\Log\Story;
use Rodrel\Core\Vehicle\LiningLeft;
use Rodrel\Core\Vehicle\Measuring;
use Rodrel\Core\Vehicle\PadWear;
use Rodrel\Core\Vocabulary\Corner;

/** What was measured of a vehicle over all its jobs, oldest first. */
final readonly class Measurements
{
    /** A lining so much thinner than that of the other side did more of the work (mm; estimate; plausible 1 to 3). */
    private const SIDES_MM = 2.0;

    /** @param list<Measurement> $all */
    private function __construct(public array $all)
    {
    }

    /** @param list<Story> $stories of the vehicle's jobs */
    public static function of(array $stories, Checks $checks): self
    {
        $all = [];
        foreach ($stories as $story) {
            foreach ($story->entriesOf(ReadingPayload::class) as $entry) {
                $one = Measurement::from($entry, $checks);
                $all = null === $one ? $all : [...$all, $one];
            }
        }
        usort($all, static fn (Measurement $a, Measurement $b): int => $a->at <=> $b->at);

        return new self($all);
    }

    /** @return list<Measurement> */
    public function series(Measuring $sheet, Corner $corner): array
    {
        return array_values(array_filter(
            $this->all,
            static fn (Measurement $one): bool => $one->sheet === $sheet && $one->corner === $corner,
        ));
    }

    public function latest(Measuring $sheet, Corner $corner): ?Measurement
    {
        $series = $this->series($sheet, $corner);

        return $series[\count($series) - 1] ?? null;
    }

    /** How far the lining of a wheel still goes; null where it was never measured. */
    public function lining(Corner $corner, bool $disc): ?LiningLeft
    {
        $series = array_map(
            static fn (Measurement $one): array => ['km' => $one->km, 'mm' => $one->deciding()],
            $this->series($disc ? Measuring::PadWear : Measuring::Shoe, $corner),
        );

        return [] === $series
            ? null
            : LiningLeft::of($series, $disc ? PadWear::LEAST_MM : Measuring::LEAST_SHOE_MM);
    }

    /** The wheel of an axle whose lining is clearly thinner; null where both are alike, or one was not measured. */
    public function thinner(Corner $left, Corner $right, bool $disc): ?Corner
    {
        $of = fn (Corner $corner): ?float => $this->lining($corner, $disc)?->leftMm;
        [$one, $other] = [$of($left), $of($right)];

        return match (true) {
            null === $one || null === $other, abs($one - $other) < self::SIDES_MM => null,
            $one < $other => $left,
            default => $right,
        };
    }
}
