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
    /** @var array<int, array<string, float>> how each set of dragging wheels, as bits in their order, is told */
    private array $told;

    /**
     * @param non-empty-array<string, Complaint> $all
     * @param float $noticedNm drag noticed two times in three
     * @param Sided $sided how a drag on one side is told as a pull
     */
    private function __construct(public array $all, private float $noticedNm, private Sided $sided)
    {
        $told = [];
        for ($set = 1; $set < 16; ++$set) {
            $in = static fn (int $bit): bool => 0 !== ($set & (1 << $bit));
            $told[$set] = $this->told(array_values(array_filter(Corner::cases(), $in, \ARRAY_FILTER_USE_KEY)));
        }
        $this->told = $told;
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
        foreach ($this->dragging($dragNm) as $set => $p) {
            foreach ($this->told[$set] ?? [] as $id => $share) {
                $chance[$id] += $p * $share;
            }
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
     * The chance of every set of wheels that somebody may notice dragging, by set; 0 is none of them.
     *
     * @param array<string, float> $dragNm
     *
     * @return non-empty-array<int, float>
     */
    private function dragging(array $dragNm): array
    {
        $sets = [1.0];
        foreach (Corner::cases() as $corner) {
            $noticed = 1.0 - exp(-max(0.0, $dragNm[$corner->value]) / $this->noticedNm);
            $half = \count($sets);
            foreach ($sets as $set => $p) {
                $sets[$set] = $p * (1.0 - $noticed);
                $sets[$half + $set] = $p * $noticed;
            }
        }

        return $sets;
    }

    /**
     * A set of dragging wheels is told as what fits it, or wheel by wheel where nothing does.
     *
     * @param list<Corner> $wheels one at least
     *
     * @return array<string, float> shares that sum to 1, by complaint
     */
    private function told(array $wheels): array
    {
        $told = [];
        $rest = 1.0;
        $pull = $this->sided->of($wheels);
        if (null !== $pull) {
            $told[$pull] = $this->sided->share;
            $after = $this->sided->of($wheels, true) ?? $pull;
            $told[$after] = ($told[$after] ?? 0.0) + $this->sided->share * $this->sided->after;
            $rest -= $this->sided->share * (1.0 + $this->sided->after);
        }
        foreach ($this->all as $id => $complaint) {
            if (true === $complaint->drags?->isTold($wheels)) {
                $told[$id] = ($told[$id] ?? 0.0) + $rest;

                return $told;
            }
        }
        foreach ($wheels as $wheel) {
            foreach ($this->all as $id => $complaint) {
                if (true === $complaint->drags?->isTold([$wheel])) {
                    $told[$id] = ($told[$id] ?? 0.0) + $rest / \count($wheels);
                }
            }
        }

        return $told;
    }
}
