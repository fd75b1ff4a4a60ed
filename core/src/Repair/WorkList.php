<?php

declare(strict_types=1);

namespace Rodrel\Core\Repair;

use Rodrel\Core\Isolation\Labour;
use Rodrel\Core\Isolation\Reading;
use Rodrel\Core\Vehicle\Layout;
use Rodrel\Core\Vocabulary\Corner;
use Rodrel\Core\Vocabulary\GroupAt;
use Rodrel\Core\Vocabulary\Place;

/**
 * Everything that one visit changes or could change: what was found, what was seen, what goes with it, the other side,
 * what the customer asked for. What is not in is on offer, with its odds.
 */
final readonly class WorkList
{
    private const OTHER_SIDE = 'other-side';
    /** A second part on the same way saves getting ready and putting back (estimate; 0.5 to 0.8). */
    private const SHARED_MINUTES = 0.7;

    /** @param list<WorkLine> $lines what is in first, then what is on offer, likeliest first */
    private function __construct(public array $lines)
    {
    }

    /**
     * @param array<string, GroupAt> $there repairs that the vehicle can have
     * @param array<string, string> $said why each line was put in, by group
     * @param list<array{group: GroupAt, why: string, chance: float}> $known what was seen, is in the condition report
     *     or was mended before and came back
     * @param list<Reading> $readings what was seen makes an extra certain, or its opposite unlikely
     */
    public static function of(
        Repairs $repairs,
        array $there,
        GroupAt $finding,
        array $said,
        array $known,
        array $readings,
        WorkTerms $terms,
    ): self {
        $parts = $terms->parts;
        $lines = [(string) $finding => self::line($repairs, $finding, WorkLine::FINDING, 1.0, $parts, true)];
        foreach ($said as $group => $why) {
            $lines[$group] = self::line($repairs, GroupAt::parse($group), $why, 1.0, $parts, true);
        }
        $offers = [];
        foreach ($known as ['group' => $group, 'why' => $why, 'chance' => $chance]) {
            $offers[(string) $group] ??= self::line($repairs, $group, $why, $chance, $parts);
        }
        foreach (array_values($lines) as $line) {
            foreach (self::goesWith($repairs, $there, $line->group, $readings, $terms) as $offer) {
                $offers[(string) $offer->group] ??= $offer;
            }
        }
        $offers = array_diff_key($offers, $lines);
        uasort($offers, static fn (WorkLine $a, WorkLine $b): int => $b->chance <=> $a->chance);

        return new self([...array_values($lines), ...array_values($offers)]);
    }

    /** @return list<WorkLine> what is done in this visit */
    public function in(): array
    {
        return array_values(array_filter($this->lines, static fn (WorkLine $line): bool => $line->in));
    }

    /** @return list<WorkLine> */
    public function onOffer(): array
    {
        return array_values(array_filter($this->lines, static fn (WorkLine $line): bool => !$line->in));
    }

    /** Parts and labour of what is done in this visit, with the fluid that it takes. */
    public function cents(Repairs $repairs, Labour $labour): float
    {
        $cents = $ml = 0.0;
        foreach ($this->in() as $line) {
            $cents += $line->cents($labour->rateCentsPerMinute);
            $ml = max($ml, $repairs->fluidMl($line->group));
        }

        return $cents + $ml * $labour->fluidCentsPerMl;
    }

    public function minutes(): float
    {
        return array_sum(array_map(static fn (WorkLine $line): float => $line->minutes, $this->in()));
    }

    /** @param array<string, string> $parts */
    private static function line(
        Repairs $repairs,
        GroupAt $group,
        string $why,
        float $chance,
        array $parts,
        bool $in = false,
    ): WorkLine {
        $repair = $repairs->of($group);
        $part = $parts[(string) $group] ?? '';
        $option = $repair->options[$part] ?? null;
        $shares = WorkLine::FINDING === $why ? 1.0 : self::SHARED_MINUTES;

        return new WorkLine(
            $group,
            $why,
            $in,
            $chance,
            $option->cents['parts'] ?? $repair->price->partsCents,
            $shares * $repair->price->minutes + ($option->extraMinutes ?? 0.0),
            $part,
        );
    }

    /**
     * @param array<string, GroupAt> $there
     * @param list<Reading> $readings
     *
     * @return list<WorkLine>
     */
    private static function goesWith(
        Repairs $repairs,
        array $there,
        GroupAt $group,
        array $readings,
        WorkTerms $terms,
    ): array {
        $offers = [];
        $scope = Scope::of(
            $repairs->of($group),
            $group->place,
            $readings,
            $terms->labour,
            false,
            $terms->practice->alongWith($group->id),
        );
        foreach ($scope->extras as $extra) {
            $side = self::OTHER_SIDE === $extra['part'];
            $other = $side
                ? self::across($there, $group)
                : self::near($there, $extra['part'], $group->place, $terms->layout);
            if (null !== $other && !$other->is($group)) {
                $chance = $side && $terms->practice->pairs ? 1.0 : $extra['chance'];
                $offers[] = self::line($repairs, $other, $side ? 'side' : 'with', $chance, $terms->parts);
            }
        }

        return $offers;
    }

    /**
     * The same repair across the axle.
     *
     * @param array<string, GroupAt> $there
     */
    private static function across(array $there, GroupAt $group): ?GroupAt
    {
        $corner = $group->place->corner();
        $other = match ($corner) {
            Corner::LeftFront => Corner::RightFront,
            Corner::RightFront => Corner::LeftFront,
            Corner::LeftRear => Corner::RightRear,
            Corner::RightRear => Corner::LeftRear,
            null => null,
        };

        return null === $other ? null : $there[(string) GroupAt::of($group->id, Place::at($other))] ?? null;
    }

    /**
     * The repair of a part at the same axle, where it is done as a pair, else at the wheel, in its circuit, or of the
     * vehicle.
     *
     * @param array<string, GroupAt> $there
     */
    public static function near(array $there, string $repair, Place $place, Layout $layout): ?GroupAt
    {
        $corner = $place->corner();
        $places = null === $corner ? [$place->id, Place::VEHICLE] : [
            Place::axleOf($corner)->id,
            $place->id,
            $layout->chamberOf($corner)->id,
            Place::VEHICLE,
        ];
        foreach ($places as $where) {
            $group = (string) GroupAt::of($repair, Place::of($where));
            if (isset($there[$group])) {
                return $there[$group];
            }
        }

        return null;
    }
}
