<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Shape;
use Rodrel\Core\Vocabulary\GroupAt;

/** What one reading did to the belief: what it points to, what it took away, what it leaves untold. */
final readonly class Sway
{
    /** A group or a place that gained or lost so much was pointed to, or away from (share of belief). */
    private const MOVED = 0.05;
    /** So much of what a place gained is one group's, or it is the place that is pointed to (share). */
    private const ONE = 0.7;
    /** A suspect was worth a thought from here, and is out below (share of belief). */
    private const WORTH = 0.01;
    private const OUT = 0.002;
    /** The leaders are told apart where one gained so much against the other (times). */
    private const TOLD = 1.5;

    /**
     * @param string $to group that it points to; '' for none
     * @param string $place that it points to where no single group takes most of it; '' for none
     * @param string $from group that it speaks against; '' for none
     * @param int $out suspects that it struck out
     * @param list<string> $between two groups that lead and that it does not tell apart; none where it does
     */
    private function __construct(
        public string $to,
        public string $place,
        public string $from,
        public int $out,
        public array $between,
    ) {
    }

    public static function of(Belief $belief, int $reading): self
    {
        $before = $belief->groupsWithout($reading);
        $gained = $byPlace = $most = [];
        $out = 0;
        foreach ($belief->groups as $group => $mass) {
            $had = $before[$group] ?? 0.0;
            $gained[$group] = $mass - $had;
            $out += (int) ($had >= self::WORTH && $mass < self::OUT);
            $place = GroupAt::parse($group)->place->id;
            if ($mass > $had) {
                $byPlace[$place] = ($byPlace[$place] ?? 0.0) + $mass - $had;
                $most[$place] = max($most[$place] ?? 0.0, $mass - $had);
            }
        }
        arsort($gained);
        arsort($byPlace);
        $up = (string) array_key_first($gained);
        $down = (string) array_key_last($gained);
        $place = (string) array_key_first($byPlace);
        $points = ($byPlace[$place] ?? 0.0) >= self::MOVED;
        // what is common to several suspects of one wheel is the wheel
        $wide = $points && 'vehicle' !== $place && $most[$place] < self::ONE * $byPlace[$place];
        $to = $points && !$wide && $gained[$up] >= self::MOVED ? $up : '';
        $from = [] !== $gained && $gained[$down] <= -self::MOVED ? $down : '';

        return new self($to, $wide ? $place : '', $from, $out, self::untold($belief, $before));
    }

    /** @return array{to: string, place: string, from: string, out: int, between: list<string>} */
    public function toArray(): array
    {
        return [
            'to' => $this->to,
            'place' => $this->place,
            'from' => $this->from,
            'out' => $this->out,
            'between' => $this->between,
        ];
    }

    public static function fromShape(Shape $shape): self
    {
        return new self(
            $shape->text('to'),
            $shape->text('place'),
            $shape->text('from'),
            (int) $shape->number('out'),
            $shape->texts('between'),
        );
    }

    /**
     * @param array<string, float> $before
     *
     * @return list<string>
     */
    private static function untold(Belief $belief, array $before): array
    {
        $two = \array_slice($belief->groups, 0, 2);
        if (2 !== \count($two) || min($two) < self::MOVED) {
            return [];
        }
        [$one, $other] = array_map(strval(...), array_keys($two));
        $ratio = $two[$one] / $two[$other] * ($before[$other] ?? 1e-12) / max($before[$one] ?? 0.0, 1e-12);

        return $ratio < self::TOLD && $ratio > 1.0 / self::TOLD ? [$one, $other] : [];
    }
}
