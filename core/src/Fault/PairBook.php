<?php

declare(strict_types=1);

namespace Rodrel\Core\Fault;

use Rodrel\Core\Shape;
use Rodrel\Core\Vehicle\Layout;
use Rodrel\Core\Vocabulary\Corner;
use Rodrel\Core\Vocabulary\Place;
use Rodrel\Core\Vocabulary\SuspectAt;

/** Faults that come together oftener than chance: what one does to the other, or what age does to both. */
final readonly class PairBook
{
    private const SAME = 'same';
    private const PARTNER = 'partner';

    /** @param list<array{one: string, other: string, partner: bool, factor: float}> $rules */
    private function __construct(public array $rules)
    {
    }

    public static function fromShape(Shape $shape): self
    {
        $rules = [];
        foreach ($shape->each('pairs') as $pair) {
            $rules[] = [
                'one' => $pair->text('one'),
                'other' => $pair->text('other'),
                'partner' => self::PARTNER === $pair->choice('where', [self::SAME, self::PARTNER]),
                'factor' => $pair->positive('factor'),
            ];
        }

        return new self($rules);
    }

    public static function none(): self
    {
        return new self([]);
    }

    /** How much oftener than chance two faults come together. */
    public function factor(SuspectAt $one, SuspectAt $other, Layout $layout): float
    {
        foreach ($this->rules as $rule) {
            $named = ($rule['one'] === $one->id && $rule['other'] === $other->id)
                || ($rule['one'] === $other->id && $rule['other'] === $one->id);
            if ($named && $rule['partner'] === self::arePartners($one->place, $other->place)) {
                if ($rule['partner'] || $layout->reaches($one->place, $other->place)) {
                    return $rule['factor'];
                }
            }
        }

        return 1.0;
    }

    /**
     * What typically comes with a fault, where it would sit.
     *
     * @return list<SuspectAt>
     */
    public function with(SuspectAt $suspect, Faults $faults, Layout $layout): array
    {
        $with = [];
        foreach ($this->rules as $rule) {
            foreach ([[$rule['one'], $rule['other']], [$rule['other'], $rule['one']]] as [$here, $that]) {
                foreach ($here === $suspect->id ? $faults->of($that)->places->in($layout) : [] as $place) {
                    $fits = $rule['partner']
                        ? self::arePartners($suspect->place, $place)
                        : $layout->reaches($suspect->place, $place);
                    if ($fits) {
                        $at = $faults->of($that)->at($place);
                        $with[(string) $at] = $at;
                    }
                }
            }
        }

        return array_values($with);
    }

    /** The two wheels of one axle. */
    private static function arePartners(Place $one, Place $other): bool
    {
        $a = $one->corner();
        $b = $other->corner();

        return $a instanceof Corner && $b instanceof Corner && $a !== $b && $a->isFront() === $b->isFront();
    }
}
