<?php

declare(strict_types=1);

namespace Rodrel\Core\Check\Complaint;

use Rodrel\Core\Check\Subject;
use Rodrel\Core\Shape;
use Rodrel\Core\Vocabulary\Corner;

/**
 * What drivers complain about, and from the model how likely each complaint is: which wheels drag, and of what is left
 * over, in the order of the catalogue, what is noticed of everything else. The last one is no complaint at all.
 */
final readonly class Complaints
{
    /**
     * @param non-empty-array<string, Complaint> $all
     * @param float $noticedNm drag noticed two times in three
     * @param Sided $sided how a drag on one side is told as a pull
     */
    private function __construct(public array $all, private float $noticedNm, private Sided $sided)
    {
    }

    /** @param list<string> $drives ids of the drives there are */
    public static function fromShape(Shape $shape, array $drives): self
    {
        $all = [];
        foreach ($shape->each('complaints') as $row) {
            $complaint = Complaint::fromShape($row, $drives);
            if (isset($all[$complaint->id])) {
                $row->miss('id', 'this complaint stands here twice');
            }
            $all[$complaint->id] = $complaint;
        }
        if ([] === $all) {
            $shape->miss('complaints', 'at least one is expected');
            $all = ['none' => Complaint::fromShape(new Shape(['id' => 'none', 'what' => 'none']), $drives)];
        }
        $sided = Sided::fromShape($shape->in('drag')->in('told_as_a_pull'));
        foreach ($sided->complaints() as $id) {
            if (!isset($all[$id])) {
                $shape->in('drag')->in('told_as_a_pull')->miss('', \sprintf('there is no complaint "%s"', $id));
            }
        }

        return new self($all, $shape->in('drag')->positive('noticed_nm'), $sided);
    }

    /** @return non-empty-list<string> */
    public function words(): array
    {
        return array_keys($this->all);
    }

    /** @return non-empty-list<float> chance of each complaint where the brakes are sound and something else is not */
    public function elsewhere(): array
    {
        $shares = array_map(static fn (Complaint $one): float => $one->elsewhere, array_values($this->all));
        $sum = array_sum($shares);

        return array_map(
            static fn (float $share): float => $sum > 0.0 ? $share / $sum : 1.0 / \count($shares),
            $shares,
        );
    }

    /** What is said when nothing is wrong. */
    public function none(): string
    {
        return array_key_last($this->all);
    }

    /**
     * @param array<string, float> $dragNm above sound, by corner, some seconds after a stop
     *
     * @return non-empty-array<string, float> chance of each complaint, summing to 1
     */
    public function chances(Subject $subject, array $dragNm): array
    {
        $chance = array_fill_keys($this->words(), 0.0);
        foreach ($this->dragging($dragNm) as [$wheels, $p]) {
            $this->tell($chance, $wheels, $p);
        }
        $rest = 1.0 - array_sum($chance);
        foreach ($this->all as $id => $complaint) {
            if (null !== $complaint->noticed) {
                $share = $complaint->noticed->chance($subject);
                $chance[$id] += $rest * $share;
                $rest *= 1.0 - $share;
            }
        }
        $chance[$this->none()] += $rest;

        return $chance;
    }

    /**
     * Every set of wheels that somebody may notice dragging, with its chance.
     *
     * @param array<string, float> $dragNm
     *
     * @return list<array{non-empty-list<Corner>, float}>
     */
    private function dragging(array $dragNm): array
    {
        $noticed = array_map(fn (float $nm): float => 1.0 - exp(-max(0.0, $nm) / $this->noticedNm), $dragNm);
        $sets = [];
        for ($set = 1; $set < 16; ++$set) {
            $p = 1.0;
            $wheels = [];
            foreach (Corner::cases() as $bit => $corner) {
                $in = 0 !== ($set & (1 << $bit));
                $p *= $in ? $noticed[$corner->value] : 1.0 - $noticed[$corner->value];
                if ($in) {
                    $wheels[] = $corner;
                }
            }
            if ([] !== $wheels) {
                $sets[] = [$wheels, $p];
            }
        }

        return $sets;
    }

    /**
     * A set of dragging wheels is told as what fits it, or wheel by wheel where nothing does.
     *
     * @param array<string, float> $chance
     * @param non-empty-list<Corner> $wheels
     */
    private function tell(array &$chance, array $wheels, float $p): void
    {
        $pull = $this->sided->of($wheels);
        if (null !== $pull) {
            $after = $this->sided->of($wheels, true) ?? $pull;
            $chance[$pull] += $this->sided->share * $p;
            $chance[$after] += $this->sided->share * $this->sided->after * $p;
            $p *= 1.0 - $this->sided->share * (1.0 + $this->sided->after);
        }
        foreach ($this->all as $id => $complaint) {
            if (true === $complaint->drags?->isTold($wheels)) {
                $chance[$id] += $p;

                return;
            }
        }
        foreach ($wheels as $wheel) {
            foreach ($this->all as $id => $complaint) {
                if (true === $complaint->drags?->isTold([$wheel])) {
                    $chance[$id] += $p / \count($wheels);
                }
            }
        }
    }
}
