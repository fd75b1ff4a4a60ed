<?php

declare(strict_types=1);

namespace App\Bench;

use App\Job\LoadedJob;
use App\Text\Letters;
use App\Text\Percent;
use App\Text\Say;
use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Isolation\Situation;
use Rodrel\Core\Log\Payload\ReadingPayload;
use Rodrel\Core\Vehicle\Chamber;
use Rodrel\Core\Vehicle\Layout;
use Rodrel\Core\Vehicle\Reach;
use Rodrel\Core\Vocabulary\CheckAt;
use Rodrel\Core\Vocabulary\Corner;
use Rodrel\Core\Vocabulary\GroupAt;
use Rodrel\Core\Vocabulary\Place;

/**
 * The vehicle from above with its own circuits, generated from the layout: navigation, evidence board and result at
 * once. Where a repair sits is said in its data. Decorative for assistive technology; the same facts stand as lists.
 */
final readonly class Drawing
{
    /** Where the four wheels are drawn, and which way is inward. */
    private const AT = ['lf' => [108, 138, 1], 'rf' => [552, 138, -1], 'lr' => [108, 432, 1], 'rr' => [552, 432, -1]];
    /** Where what is there once is drawn, and where its percentage stands. */
    private const CENTRE = [
        'modulator' => [371, 244, 410, 204],
        'booster' => [350, 122, 420, 118],
        'vacuum' => [400, 92, 440, 64],
        'push-rod' => [350, 74, 420, 70],
        'master' => [350, 159, 420, 155],
        'everywhere' => [350, 159, 420, 155],
    ];
    /** A share of belief from which a percentage is shown, from which a place is marked, below which it is cleared. */
    private const SHOWN_FROM = 0.04;
    private const MARKED_FROM = 0.08;
    private const CLEARED_BELOW = 0.01;
    private const MOST_TAGS = 7;
    /** A line is drawn as trapped when its wheel is held and what could hold it carries more than this. */
    private const HELD_FROM = 0.5;
    private const HOSE_ALONE_FROM = 0.8;

    public function __construct(private Say $say, private Catalogue $catalogue)
    {
    }

    /** @return array<string, mixed> everything the template draws */
    public function of(LoadedJob $loaded): array
    {
        $judgement = $loaded->judgement();
        $read = \count($loaded->state->situation->readings) > 1;
        $groups = $judgement->groups ?? [];
        $board = new Board($this->catalogue, $loaded->layout, $groups, array_keys($judgement->struck ?? []), $read);
        $next = $judgement?->advice->next;

        return $this->draw($board, $loaded->state->situation) + [
            'heat' => $this->heat($loaded),
            'next' => null === $next ? null : $this->marker($next->at, $next->check->role->drawn),
            'said' => $this->said($groups, \count($judgement->struck ?? [])),
        ];
    }

    /**
     * The same for whoever cannot see it: what is suspected where, and how much is ruled out.
     *
     * @param array<string, float> $groups mass by repair at its place
     */
    private function said(array $groups, int $struck): string
    {
        $suspected = [];
        foreach ($groups as $group => $mass) {
            if ($mass >= self::MARKED_FROM) {
                $suspected[] = $this->say->group($group).' '.Percent::of($mass);
            }
        }

        return $this->say->ui([] === $suspected ? 'bench.drawn-nothing' : 'bench.drawn', [
            'suspected' => implode(', ', $suspected),
            'struck' => (string) $struck,
        ]);
    }

    /** @return array<string, mixed> the vehicle and what is believed, without the newest temperatures */
    public function draw(Board $board, Situation $now): array
    {
        $corners = [];
        foreach (Corner::cases() as $corner) {
            $corners[] = $this->corner($board, $now, $corner);
        }
        $suspects = [];
        foreach (array_keys(self::CENTRE) as $part) {
            $suspects[$part] = $board->drawnAs($part) >= self::MARKED_FROM;
        }

        return [
            'corners' => $corners,
            'reach' => $board->layout->reach()->value,
            'lines' => $board->layout->reach()->isHydraulic() ? $this->lines($board, $now) : [],
            'tags' => $this->tags($board),
            'modulator' => $board->layout->pipework->modulator,
            'assist' => $board->layout->hasAssist() && Reach::Foot === $board->layout->reach(),
            'remote' => null !== $board->layout->assist->remote,
            'reservoir' => $this->reservoir($board->layout, $now),
            'clutch' => $board->layout->pipework->sharedClutch,
            'valve' => [] === $board->layout->pipework->valves || $board->layout->pipework->modulator
                ? null
                : $this->from($board->layout, Corner::LeftRear, 1),
            'suspects' => $suspects,
            'chambers' => \count($board->layout->chambers),
        ];
    }

    /**
     * The reservoir's chambers, nearest the pedal first, as the last look found them.
     *
     * @return list<string> good, low, empty or unknown
     */
    private function reservoir(Layout $layout, Situation $now): array
    {
        $level = $now->outcome(CheckAt::parse('look@vehicle'), 'level');

        return array_map(static fn (Chamber $chamber): string => match ($level) {
            null => 'unknown',
            'empty' => 'empty',
            'bad', $chamber->id => 'low',
            default => 'good',
        }, $layout->chambers);
    }

    /** @return array<string, mixed> */
    private function corner(Board $board, Situation $now, Corner $corner): array
    {
        [$x, $y, $in] = self::AT[$corner->value];
        $word = $worst = null;
        foreach ($this->catalogue->checks->tellingHeld() as $check) {
            $at = $check->at(Place::vehicle());
            $seen = $now->outcome($at, $corner->value);
            if (null !== $seen) {
                $word = $this->say->word($at, $corner->value, $seen);
                $worst = array_search($seen, $check->firstRow()->observer->words(), true);
            }
        }
        $mass = $board->atWheel($corner);

        return [
            'id' => $corner->value,
            'x' => $x,
            'y' => $y,
            'in' => $in,
            'front' => $corner->isFront(),
            'disc' => $board->layout->brake($corner)->disc,
            'name' => Letters::up($this->say->place($corner->value)),
            'word' => $word,
            'stuck' => \is_int($worst) && $worst > 1,
            'suspect' => $mass >= self::MARKED_FROM,
            'cleared' => $board->read && $mass < self::CLEARED_BELOW,
        ];
    }

    /**
     * Pipes, hoses and joints of every wheel with how each stands: trapped, suspect, cleared or plain.
     *
     * @return list<array<string, mixed>>
     */
    private function lines(Board $board, Situation $now): array
    {
        $lines = [];
        $held = $now->held($this->catalogue->checks);
        // left lines first, so that no two cross at the valve block
        foreach ([Corner::LeftFront, Corner::LeftRear, Corner::RightRear, Corner::RightFront] as $n => $corner) {
            $lines[]
                = null === $board->layout->hoseOf($corner)->corner()
                    ? $this->axleLine($board, $corner, \in_array($corner, $held, true), $n)
                    : $this->line($board, $corner, \in_array($corner, $held, true), $n);
        }

        return $lines;
    }

    /** @return array<string, mixed> */
    private function line(Board $board, Corner $corner, bool $held, int $n): array
    {
        [$x, $y, $in] = self::AT[$corner->value];
        $joint = $x + 82 * $in;
        $from = $this->from($board->layout, $corner, $n);
        $top = $board->layout->pipework->modulator ? 262 : 170;
        $path = $corner->isFront()
            ? \sprintf('M%d %d V%d H%d V%d H%d', $from, $top, $top + 24 + 6 * abs($n - 1), $x + 106 * $in, $y, $joint)
            : \sprintf('M%d %d V%d H%d', $from, $top, $y, $joint);
        $state = $this->stateOf($board, $corner, $held);
        $hose = $board->at('hose', $corner);

        return [
            'id' => $corner->value,
            'pipe' => $path,
            'pipeState' => $state['pipe'],
            'hose' => $this->hose($x, $y, $in),
            'hoseState' => $state['hose'],
            'hatch' => $hose >= self::MARKED_FROM ? ['x' => min($x + 42 * $in, $joint) - 2, 'y' => $y - 16] : null,
            'joint' => [$joint, $y],
            'second' => $board->layout->chambers[0] !== $board->layout->chamberOf($corner),
        ];
    }

    /**
     * A solid axle: one hose in the middle, drawn with the left wheel, then a pipe along the axle to each side.
     *
     * @return array<string, mixed>
     */
    private function axleLine(Board $board, Corner $corner, bool $held, int $n): array
    {
        [$x, $y, $in] = self::AT[$corner->value];
        $state = $this->stateOf($board, $corner, $held);
        $joint = [330, $y - 62];
        $feeds = Corner::LeftRear === $corner;
        $feed = \sprintf(
            ' M%d %d V%d H330 V%d',
            $this->from($board->layout, $corner, $n),
            $board->layout->pipework->modulator ? 262 : 170,
            $y - 90,
            $joint[1],
        );
        $hose = $board->at('hose', $corner);

        return [
            'id' => $corner->value,
            'pipe' => \sprintf('M%d %d H330', $x + 42 * $in, $y).($feeds ? $feed : ''),
            'pipeState' => $state['pipe'],
            'hose' => $feeds ? \sprintf('M330 %d q-7 8 0 15 t0 15 t0 15 t0 17', $joint[1]) : '',
            'hoseState' => $state['hose'],
            'hatch' => $feeds && $hose >= self::MARKED_FROM ? ['x' => 308, 'y' => $y - 50] : null,
            'joint' => $joint,
            'second' => true,
        ];
    }

    private function from(Layout $layout, Corner $corner, int $n): int
    {
        if ($layout->pipework->modulator) {
            return 290 + 27 * $n;
        }

        return $layout->chambers[0] === $layout->chamberOf($corner) ? 316 : 344;
    }

    /** @return array{pipe: string, hose: string} */
    private function stateOf(Board $board, Corner $corner, bool $held): array
    {
        $hose = $board->at('hose', $corner);
        $pipe = $board->at('pipe', $corner);
        $trapped = $held && $hose + $pipe + $board->drawnAs('modulator') > self::HELD_FROM;
        $cleared = $board->isStruck('hose', $corner);
        $rest = $cleared ? 'clear' : 'plain';

        return [
            'pipe' => match (true) {
                $trapped && $hose <= self::HOSE_ALONE_FROM => 'trapped',
                $pipe >= self::MARKED_FROM => 'suspect',
                $trapped => 'plain',
                default => $rest,
            },
            'hose' => $trapped ? 'trapped' : $rest,
        ];
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

    /** @return list<array<string, mixed>> percentages with their leader lines, heaviest first */
    private function tags(Board $board): array
    {
        $spots = [];
        foreach ($board->groups as $group => $mass) {
            $spot = $this->spot($board, GroupAt::parse($group));
            if (null !== $spot) {
                $key = implode(' ', $spot);
                $spots[$key] ??= ['x' => $spot[0], 'y' => $spot[1], 'tx' => $spot[2], 'ty' => $spot[3], 'mass' => 0.0];
                // of two faults together each group carries the mass: at one place it is counted once
                $spots[$key]['mass'] = min(1.0, $spots[$key]['mass'] + $mass);
            }
        }
        $spots = array_values(array_filter($spots, static fn (array $tag): bool => $tag['mass'] >= self::SHOWN_FROM));
        usort($spots, static fn (array $a, array $b): int => $b['mass'] <=> $a['mass']);
        $tags = [];
        foreach (\array_slice($spots, 0, self::MOST_TAGS) as $n => $tag) {
            $tags[] = ['strong' => 0 === $n] + $tag;
        }

        return $tags;
    }

    /** @return array{int, int, int, int}|null the point that a percentage points at, and where it stands */
    private function spot(Board $board, GroupAt $group): ?array
    {
        $repair = $this->catalogue->repairs->of($group);
        $drawn = $repair->drawn;
        if (isset(self::CENTRE[$drawn])) {
            return self::CENTRE[$drawn];
        }
        $corner = $group->place->corner() ?? ($board->wheelsOf($group->place)[0] ?? null);
        if (!$repair->isDrawn() || null === $corner) {
            return null;
        }
        [$x, $y, $in] = self::AT[$corner->value];
        if (null === $group->place->corner()) {
            return match ($drawn) {
                'hose' => [340, 398, 420, 376],
                'pipe' => [330, $corner->isFront() ? 200 : 342, 236, $corner->isFront() ? 208 : 330],
                default => [$x + 40 * $in, $y, 236, $y + 52],
            };
        }

        return match ($drawn) {
            'hose' => [$x + 62 * $in, $y, $x + 98 * $in, $y - 64],
            'pipe' => [$x + 104 * $in, $y, $x + 128 * $in, $y + 52],
            default => [$x, $y, $x + 66 * $in, $y + 72],
        };
    }

    /** @return array<string, string> the newest temperature of each wheel, as typed */
    private function heat(LoadedJob $loaded): array
    {
        $heat = [];
        foreach ($loaded->state->story->now()->said(ReadingPayload::class) as $reading) {
            foreach (
                $this->catalogue->checks->of($reading->check)->isHeat() ? $reading->numbers : [] as $corner => $number
            ) {
                $heat[$corner] = $number->figure->said();
            }
        }

        return $heat;
    }

    /** @return array{int, int}|null where the suggested check is made */
    private function marker(CheckAt $check, ?string $drawn): ?array
    {
        $corner = $check->place->corner();
        if (null === $corner) {
            return 'pedal' === $drawn ? [278, 74] : null;
        }
        [$x, $y, $in] = self::AT[$corner->value];

        return match ($drawn) {
            'hose' => [$x + 86 * $in, $y + 30],
            'modulator' => [250, 270],
            'master' => [262, 160],
            default => [$x + 44 * $in, $y + 52],
        };
    }
}
