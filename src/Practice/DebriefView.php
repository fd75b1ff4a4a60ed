<?php

declare(strict_types=1);

namespace App\Practice;

use App\Text\Percent;
use App\Text\Say;
use Rodrel\Core\Isolation\Field;
use Rodrel\Core\Shape;
use Rodrel\Core\Vocabulary\GroupAt;
use Rodrel\Core\Vocabulary\SuspectAt;

/** A debrief in words. */
final readonly class DebriefView
{
    /** A reading moved the belief in the truth at least so much. */
    private const TOLD = 0.05;
    /** Bits that could change next to nothing. */
    private const NOTHING = 0.02;
    private const WIDE = 560.0;
    private const HIGH = 160.0;

    public function __construct(private Say $say)
    {
    }

    public function of(Shape $debrief): DebriefPage
    {
        $mine = $debrief->in('mine');
        $cured = $mine->flag('cured');
        $wrong = array_map($this->say->group(...), $mine->texts('wrong'));
        $nothing = Field::NOTHING === $debrief->text('truth') && [] === $wrong;
        $key = match (true) {
            $nothing => 'not-there',
            $cured && [] === $wrong => 'right',
            $cured => 'right-later',
            [] !== $wrong => 'wrong',
            default => 'not-repaired',
        };
        $moves = array_values(array_map($this->move(...), $mine->each('moves')));

        return new DebriefPage(
            had: $this->say->finding(
                GroupAt::parse($debrief->text('truth')),
                SuspectAt::parse($debrief->text('suspect')),
            ),
            verdict: $this->say->ui('debrief.'.$key, ['wrong' => implode(', ', $wrong)]),
            right: $nothing || ($cured && [] === $wrong),
            forced: (int) $mine->number('forced'),
            wrongCents: $mine->number('cents'),
            paths: [
                [
                    'name' => $this->say->ui('debrief.you'),
                    'minutes' => (int) round($mine->number('minutes')),
                    'checks' => \count($moves),
                    'said' => $this->say->ui('debrief.'.($cured ? 'cured' : 'not-cured')),
                ],
                ...array_map($this->path(...), array_keys($debrief->each('others')), $debrief->each('others')),
            ],
            costly: array_values(array_map($this->costly(...), $mine->each('costliest'))),
            moves: $moves,
            lines: $this->lines($moves),
        );
    }

    /** @return array{name: string, minutes: int, checks: int, said: string} */
    private function path(int|string $who, Shape $path): array
    {
        $key = $path->flag('right') ? 'debrief.cured' : 'debrief.would-sign';

        return [
            'name' => $this->say->ui('debrief.path-'.$who),
            'minutes' => (int) round($path->number('minutes')),
            'checks' => \count($path->texts('checks')),
            'said' => $this->say->ui($key, ['what' => $this->say->group($path->text('signed'))]),
        ];
    }

    /** @return array{name: string, minutes: int, before: float, after: float, told: string} */
    private function move(Shape $move): array
    {
        [$before, $after] = [$move->number('truthBefore'), $move->number('truthAfter')];
        $key = abs($after - $before) < self::TOLD ? 'little' : ($after > $before ? 'toward' : 'away');

        return [
            'name' => $this->say->check($move->text('check')),
            'minutes' => (int) round($move->number('minutes')),
            'before' => $before,
            'after' => $after,
            'told' => $this->say->ui('debrief.told-'.$key),
        ];
    }

    private function costly(Shape $move): string
    {
        $key = $move->number('bits') < self::NOTHING ? 'debrief.costly-nothing' : 'debrief.costly';

        return $this->say->ui($key, [
            'leader' => $this->say->group($move->text('leader')),
            'leads' => Percent::of($move->number('leads')),
            'check' => $this->say->check($move->text('check')),
            'minutes' => (string) (int) round($move->number('minutes')),
            'best' => $this->say->check($move->text('best')),
            'bestMinutes' => (string) max(1, (int) round($move->number('bestMinutes'))),
        ]);
    }

    /**
     * @param list<array{name: string, minutes: int, before: float, after: float, told: string}> $moves
     *
     * @return list<array{d: string, name: string}>
     */
    private function lines(array $moves): array
    {
        $total = max(1, array_sum(array_column($moves, 'minutes')));
        $spent = 0;
        $d = '';
        foreach ($moves as $n => $move) {
            $y = static fn (float $belief): string => \sprintf('%.1f', self::HIGH * (1.0 - $belief));
            $d .= 0 === $n ? 'M0 '.$y($move['before']) : '';
            $spent += $move['minutes'];
            $d .= \sprintf('H%.1f', self::WIDE * $spent / $total).'V'.$y($move['after']);
        }

        return '' === $d ? [] : [['d' => $d, 'name' => $this->say->ui('debrief.belief')]];
    }
}
