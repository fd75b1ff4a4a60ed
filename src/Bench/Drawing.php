<?php

declare(strict_types=1);

namespace App\Bench;

use App\Text\Say;
use Rodrel\Core\Isolation\Explanation;
use Rodrel\Core\Job\JobState;
use Rodrel\Core\Job\Kind;
use Rodrel\Core\Vehicle\Corner;
use Rodrel\Core\Vehicle\Layout;

/**
 * The vehicle from above with its own circuits, generated from the layout: navigation, evidence board and
 * result at once. Decorative for assistive technology; the same facts stand as lists on the page.
 */
final readonly class Drawing
{
    /** Where the four wheels are drawn, and which way is inward. */
    private const AT = ['lf' => [108, 138, 1], 'rf' => [552, 138, -1], 'lr' => [108, 432, 1], 'rr' => [552, 432, -1]];
    private const SHOWN_FROM = 0.04;
    private const CLEARED_BELOW = 0.01;
    /** Repair groups that sit at the wheel itself. */
    private const WHEEL_END = ['caliper', 'cylinder', 'pins', 'shoes', 'parking', 'bearing'];
    private const CENTRE = ['modulator' => [330, 244], 'booster' => [330, 122], 'push-rod' => [330, 74], 'bleed' => [330, 159]];

    public function __construct(private Say $say)
    {
    }

    /**
     * @param string|null $next check at place that is suggested
     *
     * @return array<string, mixed> everything the template draws
     */
    public function of(Layout $layout, JobState $state, ?string $next): array
    {
        $groups = $state->belief->groups ?? [];
        $read = null !== $state->belief && \count($state->belief->readings) > 1;
        $struck = null === $state->belief ? [] : Explanation::struckOut($state->belief, self::CLEARED_BELOW);
        $corners = [];
        foreach (Corner::cases() as $corner) {
            $corners[] = $this->corner($layout, $state, $corner, $groups, $struck, $read);
        }

        return [
            'corners' => $corners,
            'lines' => $this->lines($layout, $state, $groups, $struck),
            'tags' => $this->tags($layout, $groups),
            'modulator' => $layout->modulator,
            'assist' => $layout->hasAssist(),
            'suspects' => array_filter(array_map(static fn (array $at): bool => true, self::CENTRE), static fn (bool $on, string $part): bool => ($groups[$part.'@vehicle'] ?? 0.0) >= self::SHOWN_FROM * 2, \ARRAY_FILTER_USE_BOTH),
            'chambers' => \count($layout->chambers),
            'next' => null === $next ? null : $this->marker($next),
        ];
    }

    /**
     * @param array<string, float> $groups
     * @param array<string, mixed> $struck
     *
     * @return array<string, mixed>
     */
    private function corner(Layout $layout, JobState $state, Corner $corner, array $groups, array $struck, bool $read): array
    {
        [$x, $y, $in] = self::AT[$corner->value];
        $word = null;
        foreach (['spin', 'spin-later', 'spin-hard', 'spin-hot'] as $check) {
            $word = $state->situation->outcome($check.'@vehicle', $corner->value) ?? $word;
        }
        $mass = 0.0;
        $cleared = $read;
        foreach (self::WHEEL_END as $part) {
            $mass += $groups[$part.'@'.$corner->value] ?? 0.0;
            if (isset($groups[$part.'@'.$corner->value]) && $groups[$part.'@'.$corner->value] >= self::CLEARED_BELOW) {
                $cleared = false;
            }
        }

        return [
            'id' => $corner->value, 'x' => $x, 'y' => $y, 'in' => $in, 'front' => $corner->isFront(),
            'disc' => $layout->brake($corner)->disc,
            'name' => ucfirst($this->say->place($corner->value)),
            'word' => null === $word ? null : $this->say->word('spin@vehicle', $corner->value, $word),
            'heat' => $this->heat($state, $corner->value),
            'stuck' => \in_array($word, ['two-hands', 'will-not-turn'], true),
            'suspect' => $mass >= self::SHOWN_FROM * 2,
            'cleared' => $cleared,
        ];
    }

    /**
     * Pipes, hoses and joints of every wheel with how each stands: trapped, suspect, cleared or plain.
     *
     * @param array<string, float> $groups
     * @param array<string, mixed> $struck
     *
     * @return list<array<string, mixed>>
     */
    private function lines(Layout $layout, JobState $state, array $groups, array $struck): array
    {
        $lines = [];
        $valve = 0;
        foreach ($this->order($layout) as $corner) {
            [$x, $y, $in] = self::AT[$corner->value];
            $from = 290 + 27 * $valve++;
            $joint = $x + 82 * $in;
            $lane = $corner->isFront() ? $x + 106 * $in : $from;
            $hoseAt = $layout->hoseOf($corner);
            $top = $layout->modulator ? 262 : 170;
            if (!$layout->modulator) {
                $from = $layout->chambers[0] === $layout->chamberOf($corner) ? 316 : 344;
            }
            $hose = $groups['hose@'.$hoseAt] ?? 0.0;
            $held = $hose + ($groups['modulator@vehicle'] ?? 0.0);
            $trapped = $state->situation->stuck($corner->value) && $held > 0.5;
            $hoseOnly = $trapped && $hose > 0.8;
            $cleared = isset($struck['hose@'.$hoseAt]);
            $path = $corner->isFront()
                ? \sprintf('M%d %d V%d H%d V%d H%d', $from, $top, $top + 24 + 6 * abs($valve - 2), $lane, $y, $joint)
                : \sprintf('M%d %d V%d H%d', $from, $top, $y, $joint);
            if ('rear' === $hoseAt) {
                $lines[] = $this->axleLine($corner, $y, $in, $x, $trapped, $cleared, 'lr' === $corner->value ? [$from, $top] : null, $hose);
                continue;
            }
            $lines[] = [
                'id' => $corner->value,
                'pipe' => $path,
                'pipeState' => $trapped && !$hoseOnly ? 'trapped' : ($cleared && !$trapped ? 'clear' : 'plain'),
                'hose' => $this->hose($x, $y, $in),
                'hoseState' => $trapped ? 'trapped' : ($cleared ? 'clear' : 'plain'),
                'hatch' => $hose >= self::SHOWN_FROM * 2 ? ['x' => min($x + 42 * $in, $joint) - 2, 'y' => $y - 16] : null,
                'joint' => [$joint, $y],
                'second' => $layout->chambers[0] !== $layout->chamberOf($corner),
            ];
        }

        return $lines;
    }

    /** The newest temperature of a wheel, as typed. */
    private function heat(JobState $state, string $corner): ?string
    {
        $heat = null;
        foreach ($state->story->now()->all(Kind::Reading) as $entry) {
            $number = $entry->shape()->in('numbers')->in($corner);
            if (str_starts_with($entry->shape()->text('check'), 'heat-') && $number->has('typed')) {
                $typed = $number->text('typed');
                $heat = is_numeric(str_replace(',', '.', $typed)) ? $typed.' '.$number->text('unit') : $typed;
            }
        }

        return $heat;
    }

    /**
     * A solid axle: one hose in the middle, drawn with the left wheel, then a pipe along the axle to each side.
     *
     * @param array{int, int}|null $feed where the line to the hose begins
     *
     * @return array<string, mixed>
     */
    private function axleLine(Corner $corner, int $y, int $in, int $x, bool $trapped, bool $cleared, ?array $feed, float $hose): array
    {
        $state = $trapped ? 'trapped' : ($cleared ? 'clear' : 'plain');
        $joint = [330, $y - 62];

        return [
            'id' => $corner->value,
            'pipe' => \sprintf('M%d %d H330', $x + 42 * $in, $y).(null === $feed ? '' : \sprintf(' M%d %d V%d H330 V%d', $feed[0], $feed[1], $y - 90, $joint[1])),
            'pipeState' => $state,
            'hose' => null === $feed ? '' : \sprintf('M330 %d q-7 8 0 15 t0 15 t0 15 t0 17', $joint[1]),
            'hoseState' => $state,
            'hatch' => null !== $feed && $hose >= self::SHOWN_FROM * 2 ? ['x' => 308, 'y' => $y - 50] : null,
            'joint' => $joint,
            'second' => true,
        ];
    }

    /** @return list<Corner> left lines first, so that no two cross at the valve block */
    private function order(Layout $layout): array
    {
        return [Corner::LeftFront, Corner::LeftRear, Corner::RightRear, Corner::RightFront];
    }

    private function hose(int $x, int $y, int $in): string
    {
        $at = $x + 82 * $in;
        $path = \sprintf('M%d %d', $at, $y);
        for ($i = 0; $i < 5; ++$i) {
            $bend = 0 === $i % 2 ? -7 : 7;
            $path .= \sprintf(' Q%d %d %d %d', $at - 4 * $in, $y + $bend, $at - 8 * $in, $y);
            $at -= 8 * $in;
        }

        return $path;
    }

    /**
     * @param array<string, float> $groups
     *
     * @return list<array<string, mixed>> percentages with their leader lines, heaviest first
     */
    private function tags(Layout $layout, array $groups): array
    {
        $at = [];
        foreach ($groups as $group => $mass) {
            [$part, $place] = explode('@', $group);
            if (isset(self::AT[$place])) {
                [$x, $y, $in] = self::AT[$place];
                $spot = 'hose' === $part ? 'hose@'.$place : 'wheel@'.$place;
                $at[$spot] ??= ['mass' => 0.0, 'x' => 'hose' === $part ? $x + 62 * $in : $x, 'y' => $y, 'tx' => 'hose' === $part ? $x + 98 * $in : $x + 66 * $in, 'ty' => 'hose' === $part ? $y - 64 : $y + 72];
                $at[$spot]['mass'] += $mass;
            } elseif ('rear' === $place) {
                $at[$group] = ['mass' => $mass, 'x' => 340, 'y' => 398, 'tx' => 420, 'ty' => 376];
            } elseif (isset(self::CENTRE[$part])) {
                [$x, $y] = self::CENTRE[$part];
                $at[$group] = ['mass' => $mass, 'x' => 'modulator' === $part ? 371 : $x + 20, 'y' => $y, 'tx' => 'modulator' === $part ? 410 : 420, 'ty' => 'modulator' === $part ? 204 : $y - 4];
            }
        }
        $at = array_filter($at, static fn (array $tag): bool => $tag['mass'] >= self::SHOWN_FROM);
        uasort($at, static fn (array $a, array $b): int => $b['mass'] <=> $a['mass']);
        $tags = [];
        foreach (\array_slice($at, 0, 7, true) as $spot => $tag) {
            $tags[] = ['strong' => [] === $tags] + $tag;
        }

        return $tags;
    }

    /** @return array{int, int}|null where the suggested check is made */
    private function marker(string $check): ?array
    {
        [$id, $place] = explode('@', $check);
        if (!isset(self::AT[$place])) {
            return match ($id) {
                'pedal', 'engine' => [278, 74],
                default => null,
            };
        }
        [$x, $y, $in] = self::AT[$place];

        return match ($id) {
            'hose-top', 'hose-look' => [$x + 86 * $in, $y + 30],
            'modulator-outlet' => [250, 270],
            'master-outlet', 'master-eased' => [262, 160],
            default => [$x + 44 * $in, $y + 52],
        };
    }
}
