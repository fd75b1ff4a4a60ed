<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Check\Check;
use Rodrel\Core\Check\Checks;
use Rodrel\Core\Shape;
use Rodrel\Core\Vocabulary\CheckAt;
use Rodrel\Core\Vocabulary\Place;

/**
 * The safety gates of the catalogue. Not looked at is not safe: every condition wants a fact, or a reading of this
 * epoch.
 */
final readonly class GateBook
{
    public const ROAD = 'road';

    /** @param array<string, GateRule> $rules in the order they are named */
    private function __construct(public array $rules, private string $closedBy)
    {
    }

    public static function fromShape(Shape $shape): self
    {
        $rules = [];
        foreach ($shape->each('gates') as $id => $gate) {
            $rules[$id] = GateRule::fromShape($id, $gate);
        }
        if (!isset($rules[self::ROAD])) {
            $shape->in('gates')->miss(self::ROAD, 'the gate before the road is missing');
            $rules[self::ROAD] = GateRule::fromShape(
                self::ROAD,
                new Shape(['conditions' => [['id' => 'x', 'fact' => 'closed']]]),
            );
        }

        return new self($rules, $shape->text('closed_by'));
    }

    /** May the vehicle be driven, on the road or home? */
    public function road(Situation $now, Checks $checks): Gate
    {
        return $this->rules[self::ROAD]->gate(new Asking($now, $checks, Place::vehicle()), null);
    }

    /**
     * What stands in the way of a check, whoever chose it.
     *
     * @return list<Gate> closed gates only
     */
    public function closedFor(Check $check, Place $place, Situation $now, Checks $checks): array
    {
        $asking = new Asking($now, $checks, $place);
        $closed = [];
        foreach ($this->rules as $rule) {
            if ($rule->standsBefore($check)) {
                $gate = $rule->gate($asking, $check);
                if (!$gate->isOpen()) {
                    $closed[] = $gate;
                }
            }
        }

        return $closed;
    }

    /** The reading that proves a joint opened for a reading to be closed again. */
    public function closedBy(): CheckAt
    {
        return CheckAt::of($this->closedBy, Place::vehicle());
    }
}
