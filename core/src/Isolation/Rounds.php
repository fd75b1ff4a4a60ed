<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Check\Check;
use Rodrel\Core\Shape;

/** The rounds of the trade: which checks are made on one walk, and which of their rows are always answered by name. */
final readonly class Rounds
{
    /**
     * @param array<string, Round> $all by id
     * @param array<string, Round> $proof after a repair, by id
     * @param list<string> $asked checks, or `check/row`, that one tap never calls good
     * @param string $first id of the first look, whose checks the complaint names
     * @param float $glanceMinutes of a row that is only looked at
     */
    private function __construct(
        public array $all,
        public array $proof,
        public array $asked,
        public string $first,
        public float $glanceMinutes,
    ) {
    }

    public static function fromShape(Shape $shape): self
    {
        $read = static function (string $key) use ($shape): array {
            $rounds = [];
            foreach ($shape->each($key) as $id => $round) {
                $rounds[$id] = new Round($id, $round->texts('checks'));
            }

            return $rounds;
        };

        return new self(
            $read('rounds'),
            $read('proof'),
            $shape->texts('asked'),
            $shape->text('first_look'),
            $shape->positive('glance_minutes'),
        );
    }

    /** The round on which a check is made; null where it stays one of its own. */
    public function with(string $check): ?Round
    {
        foreach ($this->all as $round) {
            if (\in_array($check, $round->checks, true)) {
                return $round;
            }
        }

        return null;
    }

    /** Whether there is such a round, of the search or of the proof. */
    public function has(string $id): bool
    {
        return isset($this->all[$id]) || isset($this->proof[$id]);
    }

    /** The round of the proof on which a check is made; null where it stays one of its own. */
    public function proving(string $check): ?Round
    {
        foreach ($this->proof as $round) {
            if (\in_array($check, $round->checks, true)) {
                return $round;
            }
        }

        return null;
    }

    /** Whether "nothing else odd" answers a row: never a level, a wet place, a lamp, a hold, a held wheel, a figure. */
    public function mayBeCovered(Check $check, string $row): bool
    {
        return null === $check->row($row)?->observer->typed
            && !\in_array($check->id, $this->asked, true)
            && !\in_array($check->id.'/'.$row, $this->asked, true);
    }

    /** How long a check takes on the walk, without the way there. */
    public function minutes(Check $check, int $rows): float
    {
        $glances = $rows * $this->glanceMinutes;

        return '' === $check->family && !$check->manner->presses()
            ? min($glances, $check->demand->minutes)
            : $check->demand->minutes * $rows / \count($check->rows);
    }
}
