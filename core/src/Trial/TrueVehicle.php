<?php

declare(strict_types=1);

namespace Rodrel\Core\Trial;

use Rodrel\Core\Check\Asked;
use Rodrel\Core\Check\Observer\Common;
use Rodrel\Core\Check\Row;
use Rodrel\Core\Check\Subject;
use Rodrel\Core\Fault\Particle;
use Rodrel\Core\Log\Payload\IntakePayload;
use Rodrel\Core\Physics\Effects;
use Rodrel\Core\Physics\Program;
use Rodrel\Core\Prediction\Prediction;
use Rodrel\Core\Vocabulary\CheckAt;
use Rodrel\Core\Vocabulary\Corner;
use Rodrel\Core\Vocabulary\GroupAt;
use Rodrel\Core\Vocabulary\Place;

/** A drawn vehicle that only answers; what ails it is known to the count, never to who looks for it. */
final class TrueVehicle implements Hidden
{
    /** Sheets on which the left and the right column are swapped (share of sheets by wheel; estimate). */
    private const SWAPPED = 0.01;
    /** Half of the wrong answers are rows left at "as it should be" (estimate). */
    private const LEFT_AS_IT_SHOULD_BE = 0.5;

    /** A difference in the chance of a word that a check can be made for. */
    private const TO_BE_SEEN = 0.4;

    /** @var list<Particle> faults still in it */
    private array $faults;
    private Subject $subject;

    /**
     * @param string $preset the layout that the looker believes to have
     * @param list<Particle> $drawn
     * @param bool $outside it fails in a way that the catalogue lacks
     * @param Innocent|null $innocent a defect that has nothing to do with it
     */
    public function __construct(
        public readonly string $preset,
        public readonly array $drawn,
        private readonly Subject $sane,
        private readonly Hand $hand,
        private readonly Visit $visit,
        public readonly bool $outside = false,
        private ?Innocent $innocent = null,
    ) {
        $this->install($drawn);
    }

    public function visit(): Visit
    {
        return $this->visit;
    }

    public function intake(): IntakePayload
    {
        // what such a vehicle's driver is not asked he does not say
        $said = fn (string $check): string => [] === $this->hand->checks->of($check)->everywhere(
            $this->sane->instruments->layout,
        )
            ? ''
            : $this->said(CheckAt::of($check, Place::vehicle()));

        $visit = $this->visit;

        return new IntakePayload([$said('complaint')], $said('pattern'), $visit->arrival, $visit->parts, '');
    }

    public function isUnsure(CheckAt $at, int $time = 0): bool
    {
        return false;
    }

    public function cures(): array
    {
        $groups = array_map(static fn (Particle $fault): string => (string) $fault->group, $this->faults);

        return array_values(array_unique($groups));
    }

    public function print(): string
    {
        return $this->preset.' '.$this->hand->seed;
    }

    /** @return list<Particle> */
    public function left(): array
    {
        return $this->faults;
    }

    /** A repair was carried out: whether it cured something. */
    public function repair(GroupAt $group): bool
    {
        $left = array_values(array_filter($this->faults, static fn (Particle $f): bool => !$f->group->is($group)));
        // whoever works there puts right what he finds
        $this->innocent = true === $this->innocent?->at->place->is($group->place->id) ? null : $this->innocent;
        $cured = \count($left) < \count($this->faults);
        $this->install($left);

        return $cured;
    }

    /** The word of a row that only says something, without slips: what the driver complains about. */
    public function said(CheckAt $at): string
    {
        $row = $this->hand->checks->of($at)->firstRow();
        $words = $row->observer->words();

        return $words[Luck::about($this->hand->seed, 'said '.$at)->pick($this->chances($at, $row))];
    }

    /**
     * @param int $time how often it was made before
     *
     * @return array<string, string|float> word, or number in core units, by row
     */
    public function answer(CheckAt $at, int $time = 0): array
    {
        $check = $this->hand->checks->of($at);
        $luck = Luck::about($this->hand->seed, $at.' '.$time.' '.\count($this->faults));
        $answers = [];
        foreach ($check->rows as $row) {
            $answers[$row->id] = $this->innocent?->shows($at, $row->id) ?? $this->row($at, $row, $luck);
        }
        if ($check->isByWheel() && $luck->happens(self::SWAPPED)) {
            foreach ([[Corner::LeftFront, Corner::RightFront], [Corner::LeftRear, Corner::RightRear]] as [$l, $r]) {
                [$answers[$l->value], $answers[$r->value]] = [$answers[$r->value], $answers[$l->value]];
            }
        }

        return $answers;
    }

    /** What a road check would meet: a wheel that can hardly be turned, or a pedal that goes down. */
    public function isUnsafeToDrive(): bool
    {
        $pressed = $this->subject->pressed();
        $sound = $this->sane->pressed();
        foreach (Corner::cases() as $corner) {
            if ($this->subject->instruments->effortN($pressed, $sound, $corner, Program::AFTER_4_S) > 500.0) {
                return true;
            }
        }

        return $pressed->travelMm(0) > 1.6 * $sound->travelMm(0);
    }

    /** No check would show it: every row is about what a sound vehicle of its kind says. */
    public function isHidden(): bool
    {
        foreach ($this->hand->checks as $check) {
            foreach ($check->role->asked ? [] : $check->everywhere($this->sane->instruments->layout) as $at) {
                foreach ($check->rows as $row) {
                    $sound = Prediction::see([], $this->sane, $check, $at->place, $row)->chances;
                    foreach ($this->chances($at, $row) as $i => $chance) {
                        if (abs($chance - $sound[$i]) > self::TO_BE_SEEN) {
                            return false;
                        }
                    }
                }
            }
        }

        return true;
    }

    private function row(CheckAt $at, Row $row, Luck $luck): string|float
    {
        $wording = $row->observer->wording;
        $check = $this->hand->checks->of($at);
        $asked = Asked::of($check, $at->place, $row);
        $seen = Prediction::see($this->faults, $this->subject, $check, $at->place, $row);
        $wrong = $luck->happens($this->hand->wrong);
        $common = $wording->common;
        $off = null === $common ? 0.0 : Luck::about($this->hand->seed, $common->cause)->deviation();
        if (null !== $seen->median) {
            $sound = Prediction::see([], $this->sane, $check, $at->place, $row)->median ?? $seen->median;
            $rest = sqrt($wording->noise ** 2 - ($common->noise ?? 0.0) ** 2);
            $bias = $this->hand->biases[$check->family] ?? 0.0;
            $honest = $seen->median * exp($bias + ($common->noise ?? 0.0) * $off) * $luck->around($rest);

            $slip = $luck->happens(self::LEFT_AS_IT_SHOULD_BE) ? $sound : $sound * exp(3.0 * $luck->share() - 1.5);

            return $wrong ? $slip : $honest;
        }
        $words = $wording->words;
        $chances = null === $common
            ? $seen->chances
            : Common::once($seen->chances, $wording->noise, $common->noise, $off);
        $honest = $words[$luck->pick($chances)];
        if (!$wrong) {
            return $honest;
        }

        return $luck->happens(self::LEFT_AS_IT_SHOULD_BE)
            ? $this->usual($at, $row)
            : $this->otherWord($words, $honest, $luck);
    }

    /** @param non-empty-list<string> $words */
    private function otherWord(array $words, string $honest, Luck $luck): string
    {
        $at = (int) array_search($honest, $words, true);
        $near = array_values(array_intersect_key($words, [$at - 1 => true, $at + 1 => true]));
        if ($this->hand->near && [] !== $near) {
            return $near[$luck->pick(array_fill(0, \count($near), 1.0))];
        }

        return $words[$luck->pick(array_map(static fn (string $w): float => $w === $honest ? 0.0 : 1.0, $words))];
    }

    /** @return non-empty-list<float> */
    private function chances(CheckAt $at, Row $row): array
    {
        return Prediction::see($this->faults, $this->subject, $this->hand->checks->of($at), $at->place, $row)->chances;
    }

    /** What a sound vehicle mostly shows: how a sheet is handed out. */
    private function usual(CheckAt $at, Row $row): string
    {
        $chances = Prediction::see([], $this->sane, $this->hand->checks->of($at), $at->place, $row)->chances;

        return $row->observer->words()[(int) array_search(max($chances), $chances, true)];
    }

    /** @param list<Particle> $faults */
    private function install(array $faults): void
    {
        $this->faults = $faults;
        $subject = $this->sane;
        $effects = Effects::none();
        foreach ($faults as $fault) {
            $effects = $effects->together($fault->effects);
        }
        $this->subject = [] === $faults ? $subject : $subject->with($effects);
    }
}
