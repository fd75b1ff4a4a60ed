<?php

declare(strict_types=1);

namespace Rodrel\Core\Job;

use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Check\Check;
use Rodrel\Core\Check\Row;
use Rodrel\Core\Isolation\Reading;
use Rodrel\Core\Vehicle\LiningLeft;
use Rodrel\Core\Vehicle\Measuring;
use Rodrel\Core\Vocabulary\Corner;

/**
 * A vehicle that nobody complains of, looked over: what has to be done now, what soon, what is good, and what of the
 * half hour's list was not looked at.
 */
final readonly class Condition
{
    /** Lining above its least that is due at the next visit (mm; estimate; plausible 1 to 3), and km likewise. */
    private const SOON_MM = 2.0;
    private const SOON_KM = 10_000;
    /** Rotor or drum so near its limit will not outlive the next linings (mm; estimate; plausible 0.3 to 1). */
    private const SOON_LIMIT_MM = 0.5;
    /** What a sound vehicle shows at least so often is good (share; estimate). */
    private const SOUND_SHOWS = 0.15;

    private function __construct(private Catalogue $catalogue, private JobState $state, private Measurements $measured)
    {
    }

    /** @return list<ConditionLine> by urgency, then as they were found; what was not looked at comes last */
    public static function of(Catalogue $catalogue, JobState $state, Measurements $measured): array
    {
        $self = new self($catalogue, $state, $measured);
        $lines = [...$self->seen(), ...$self->linings(), ...$self->limits(), ...$self->notSeen()];
        usort($lines, static fn (ConditionLine $a, ConditionLine $b): int => $a->due->order() <=> $b->due->order());

        return $lines;
    }

    /** @return list<ConditionLine> */
    private function seen(): array
    {
        $lines = [];
        foreach ($this->state->situation->readings as $reading) {
            $check = $this->catalogue->checks->of($reading->check);
            if ($check->role->asked || null !== $check->role->measures) {
                continue; // what was said is no state, and what was measured has lines of its own
            }
            foreach ($check->rows as $row) {
                $word = $reading->outcomes[$row->id] ?? null;
                if (null !== $word) {
                    $lines[] = $this->line($reading, $check, $row, $word);
                }
            }
        }

        return $lines;
    }

    private function line(Reading $reading, Check $check, Row $row, string $word): ConditionLine
    {
        $good = $this->isSound($reading, $row, $word);

        return new ConditionLine(
            match (true) {
                $good => Due::Good,
                $row->observer->isOrdinary($word) => Due::Soon,
                default => Due::Now,
            },
            $reading->check,
            $row->id,
            $word,
            $good ? null : $this->repair($check, $row, $word),
        );
    }

    /** The word of a look that is as it should be, or what a sound vehicle shows often enough. */
    private function isSound(Reading $reading, Row $row, string $word): bool
    {
        $chances = $this->state->sound()->chances[$reading->check->row($row->id)] ?? [];
        $at = (int) array_search($word, $row->observer->words(), true);

        return $word === $row->observer->good()
            || (!$row->observer->isSign() && ($chances[$at] ?? 0.0) >= self::SOUND_SHOWS);
    }

    /** The repair of the fault that this word speaks for most. */
    private function repair(Check $check, Row $row, string $word): ?string
    {
        $at = array_search($word, $row->observer->words(), true);
        $best = null;
        $most = 0.0;
        foreach ($this->catalogue->faults->all as $fault) {
            $speaks = $fault->odds->weight * ($fault->signs->of($check->id, $row->id)[(int) $at] ?? 0.0);
            if ($speaks > $most) {
                [$best, $most] = [$fault->cure->repair, $speaks];
            }
        }

        return $best;
    }

    /** @return list<ConditionLine> */
    private function linings(): array
    {
        $lines = [];
        foreach (Corner::cases() as $corner) {
            $disc = $this->state->layout()->brake($corner)->disc;
            $sheet = $disc ? Measuring::PadWear : Measuring::Shoe;
            $left = $this->measured->lining($corner, $disc);
            $latest = $this->measured->latest($sheet, $corner);
            if (null !== $left && null !== $latest) {
                $lines[] = ConditionLine::measured(
                    self::dueOf($left),
                    $corner,
                    $latest,
                    $left->leftMm,
                    $left->km,
                    $disc ? 'pads' : 'shoes',
                );
            }
        }

        return $lines;
    }

    private static function dueOf(LiningLeft $left): Due
    {
        return match (true) {
            $left->leftMm <= 0.0 => Due::Now,
            $left->leftMm <= self::SOON_MM, null !== $left->km && $left->km <= self::SOON_KM => Due::Soon,
            default => Due::Good,
        };
    }

    /** @return list<ConditionLine> */
    private function limits(): array
    {
        $lines = [];
        foreach (Corner::cases() as $corner) {
            $drum = !$this->state->layout()->brake($corner)->disc;
            $latest = $this->measured->latest(Measuring::Limit, $corner);
            if (isset($latest->mm['measured'], $latest->mm['limit'])) {
                $left = Measuring::limit($latest->mm, $drum)->leftMm;
                $due = $left < 0.0 ? Due::Now : ($left <= self::SOON_LIMIT_MM ? Due::Soon : Due::Good);
                $lines[] = ConditionLine::measured($due, $corner, $latest, $left, null, $drum ? 'drum' : 'rotor');
            }
        }

        return $lines;
    }

    /** @return list<ConditionLine> of the half hour's list */
    private function notSeen(): array
    {
        $lines = [];
        foreach ($this->catalogue->condition as $id) {
            $check = $this->catalogue->checks->of($id);
            foreach ($check->everywhere($this->state->layout()) as $at) {
                $corner = $at->place->corner();
                $measured = null !== $check->role->measures && null !== $corner
                    && null !== $this->measured->latest($check->role->measures, $corner);
                if (!$measured && !$this->state->situation->made($at)) {
                    $lines[] = new ConditionLine(Due::NotSeen, $at, $check->firstRow()->id, '', null);
                }
            }
        }

        return $lines;
    }
}
