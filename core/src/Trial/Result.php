<?php

declare(strict_types=1);

namespace Rodrel\Core\Trial;

use Rodrel\Core\Fault\Particle;
use Rodrel\Core\Isolation\Costs;
use Rodrel\Core\Isolation\Cures;
use Rodrel\Core\Isolation\Settings;
use Rodrel\Core\Isolation\Verdict;
use Rodrel\Core\Vocabulary\GroupAt;

/** How one job at a drawn vehicle ended. */
final readonly class Result
{
    /** More acts than this and the job counts as never ending. */
    public const ACTS = 60;
    /** The end of a vehicle that nobody complains of. */
    private const LOOKED_OVER = 'condition';
    /** The end of one that nobody could find, and that is not sent home. */
    private const STAYS = 'stays';
    /** What it takes to find the right one after a wrong repair (minutes; estimate). */
    private const ONCE_MORE_MINUTES = 45.0;
    /** How many of what led are kept with a line. */
    private const BELIEVED = 4;
    /** Who was wrong so often gives the vehicle to somebody else. */
    private const REPAIRS = 4;

    /**
     * @param bool $falselyOdd a contradiction was shown while the right repair led
     * @param list<float> $decisions milliseconds
     * @param list<string> $path checks made
     * @param array<string, float> $believed what led when it first ended, by repair group
     */
    private function __construct(
        public Drawn $drawn,
        public Ending $ending,
        public Toll $toll,
        public bool $falselyOdd,
        public array $decisions,
        public array $path,
        public array $believed,
    ) {
    }

    /** @return array<mixed> flat, for a line of JSON */
    public function toArray(): array
    {
        return [
            ...get_object_vars($this->drawn),
            ...get_object_vars($this->ending),
            ...get_object_vars($this->toll),
            'falselyOdd' => $this->falselyOdd,
            'decisions' => $this->decisions,
            'path' => $this->path,
            'believed' => $this->believed,
        ];
    }

    /**
     * @param \Closure(): float $clock milliseconds
     * @param bool $untilCured a wrong repair is followed by the next, every part counted
     */
    public static function of(
        Policy $policy,
        Play $play,
        TrueVehicle $vehicle,
        Cures $cures,
        \Closure $clock,
        bool $untilCured = false,
    ): self {
        $settings = $vehicle->visit()->settings;
        $truths = $vehicle->left();
        $names = implode(' + ', array_map(static fn (Particle $one): string => (string) $one->suspect, $truths));
        $decisions = [];
        $odd = false;
        [$verdict, $end] = self::look($policy, $play, $vehicle, $clock, $decisions, $odd);
        $belief = $play->diagnosis()->belief;
        [$leader, $mass] = $belief->leader();
        $believed = \array_slice($belief->groups, 0, self::BELIEVED);
        $nothing = \in_array($end, ['endless', 'not-shown', self::STAYS, self::LOOKED_OVER], true);
        $signed = $nothing ? null : ($verdict->repair ?? $leader);
        $named = (string) $signed;
        $groups = array_map(static fn (Particle $one): string => (string) $one->group, $truths);
        $right = match (true) {
            null !== $signed => \in_array((string) $signed, $groups, true),
            'not-shown' === $end => $vehicle->isHidden(),
            self::LOOKED_OVER === $end => self::isReported($play, $vehicle),
            default => false,
        };
        $mode = null !== $signed && \in_array(
            (string) $belief->leadingSuspect($signed),
            array_map(static fn (Particle $one): string => (string) $one->suspect, $truths),
            true,
        );
        $minutes = $play->minutes;
        $acts = $play->acts;
        $path = $play->path;
        $cents = self::cents($play, $cures, $settings, $groups, $signed, $right);
        $wrongParts = (int) (null !== $signed && !$right && $cures->partsCents($signed) > 0.0);
        $cured = $right && null !== $signed;
        for ($n = 1; $untilCured && null !== $signed && !$cured && $n < self::REPAIRS; ++$n) {
            $play->repair($signed);
            [$verdict] = self::look($policy, $play, $vehicle, $clock, $decisions, $odd);
            $signed = $verdict->repair;
            $cured = null !== $signed && \in_array((string) $signed, $vehicle->cures(), true);
            $wrongParts += (int) (null !== $signed && !$cured && $cures->partsCents($signed) > 0.0);
            $minutes = $play->minutes;
        }
        $second = false;
        if ($right && null !== $signed && 1 < \count($truths)) {
            $play->repair($signed);
            [$verdict] = self::look($policy, $play, $vehicle, $clock, $decisions, $odd);
            $next = $verdict->repair ?? $play->diagnosis()->belief->leader()[0];
            $left = array_diff($groups, [(string) $signed]);
            // what no check would show of the other one is rightly called sound, or not shown
            $sound = null === $verdict->repair || 'none' === $next->id;
            $second = \in_array((string) $next, $left, true) || ($sound && $vehicle->isHidden());
        }

        return new self(
            new Drawn($vehicle->preset, $names, $vehicle->outside),
            new Ending($end, $named, $right, $mode, $mass, $second, $cured),
            new Toll($minutes, $cents, $wrongParts, $acts, $play->lifts, $play->refused, $play->unsafe),
            $odd,
            $decisions,
            $path,
            $believed,
        );
    }

    /**
     * Until the verdict is to repair or to stop.
     *
     * @param \Closure(): float $clock
     * @param list<float> $decisions
     *
     * @return array{Verdict, string}
     */
    private static function look(
        Policy $policy,
        Play $play,
        TrueVehicle $vehicle,
        \Closure $clock,
        array &$decisions,
        bool &$odd,
    ): array {
        $from = $play->acts;
        while (true) {
            $at = $clock();
            $verdict = $play->diagnosis()->verdict();
            $decisions[] = $clock() - $at;
            $leads = (string) $play->diagnosis()->belief->leader()[0];
            foreach (null === $verdict->contradiction ? [] : $vehicle->left() as $fault) {
                $odd = $odd || (string) $fault->group === $leads;
            }
            $over = null === $verdict->next && self::LOOKED_OVER === $verdict->reason;
            if ($over || null !== $verdict->repair || \in_array($verdict->reason, ['not-shown', self::STAYS], true)) {
                return [$verdict, $verdict->reason];
            }
            $next = $policy->next($play, $verdict);
            if (null === $next) {
                return [$verdict, 'out-of-checks'];
            }
            if ($play->acts - $from >= self::ACTS) {
                return [$verdict, 'endless'];
            }
            $play->make($next);
        }
    }

    /**
     * Nobody complained: the report of its condition names what ails it, or nothing where nothing can be seen.
     */
    private static function isReported(Play $play, TrueVehicle $vehicle): bool
    {
        $due = $play->dueNow();
        foreach ($vehicle->left() as $truth) {
            if (\in_array($truth->group->id, $due, true)) {
                return true;
            }
        }

        return [] === $due && $vehicle->isHidden();
    }

    /** @param list<string> $groups that cure it */
    private static function cents(
        Play $play,
        Cures $cures,
        Settings $settings,
        array $groups,
        ?GroupAt $signed,
        bool $right,
    ): float {
        $rate = $settings->labour->rateCentsPerMinute;
        $cents = $play->minutes * $rate + $play->consumablesCents;
        foreach ($groups as $group) {
            $cents += Costs::ofGroup($cures, $settings, GroupAt::parse($group));
        }
        if (!$right) {
            $cents += null === $signed ? 0.0 : Costs::ofGroup($cures, $settings, $signed);
            $cents += $settings->labour->comebackCents + self::ONCE_MORE_MINUTES * $rate;
        }

        return $cents;
    }
}
