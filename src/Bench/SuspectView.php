<?php

declare(strict_types=1);

namespace App\Bench;

use App\Job\LoadedJob;
use App\Text\Percent;
use App\Text\Say;
use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Isolation\CitedReading;
use Rodrel\Core\Isolation\Judgement;
use Rodrel\Core\Isolation\Pair;
use Rodrel\Core\Isolation\Sway;
use Rodrel\Core\Isolation\Weight;
use Rodrel\Core\Vocabulary\GroupAt;
use Rodrel\Core\Vocabulary\SuspectAt;

/** The ranked suspects with what speaks for and against each. */
final readonly class SuspectView
{
    private const SHOWN = 5;
    private const SHOWN_FROM = 0.01;
    private const DECIDES = 3;
    private const MODES = 3;
    private const MODE_FROM = 0.02;
    /** A change smaller than this is called little (share of belief). */
    private const LITTLE = 0.03;
    /** What lost at least so much is named as lost, and below this it is struck out. */
    private const LOST = 0.1;
    private const GONE = 0.02;
    private const MANY = 1000.0;

    public function __construct(private Say $say, private Catalogue $catalogue)
    {
    }

    /**
     * A repair that the belief does not lead: a technician may sign any.
     *
     * @return array<string, mixed>
     */
    public function other(Judgement $judgement, GroupAt $group): array
    {
        $mass = $judgement->group($group);
        $struck = $judgement->struck[(string) $group] ?? null;
        $against = null === $struck
            ? []
            : [['said' => $this->reading($struck), 'weight' => $this->say->ui('finding.struck-by'), 'ratio' => '']];

        return [
            'group' => (string) $group,
            'name' => $this->say->group($group),
            'mass' => $mass,
            'bar' => (int) round(100.0 * $mass),
            'modes' => $this->modes($judgement, $group),
            'for' => [],
            'against' => $against,
        ];
    }

    /** @return list<array<string, mixed>> */
    public function of(Judgement $judgement): array
    {
        $rows = [];
        foreach (\array_slice($judgement->groups, 0, self::SHOWN, true) as $group => $mass) {
            if ($mass < self::SHOWN_FROM && [] !== $rows) {
                break;
            }
            $spoken = $judgement->arguments[$group] ?? [];
            $rows[] = [
                'group' => $group,
                'name' => $this->say->group($group),
                'mass' => $mass,
                'bar' => (int) round(100.0 * $mass),
                'modes' => $this->modes($judgement, GroupAt::parse($group)),
                'for' => $this->said($spoken, true),
                'against' => $this->said($spoken, false),
            ];
        }

        return $rows;
    }

    /**
     * "Hose, left front or guide pins, left front?": what an act decides.
     *
     * @param list<string> $groups likeliest first
     */
    public function decides(array $groups): string
    {
        $names = array_map($this->say->group(...), \array_slice($groups, 0, self::DECIDES));

        return match (\count($names)) {
            0 => '',
            1 => $this->say->ui('bench.decides-one', ['group' => $names[0]]),
            default => $this->say->ui('bench.decides', ['groups' => implode(' · ', $names)]),
        };
    }

    /**
     * What was worth a thought and is no longer, with the reading that struck it out.
     *
     * @return list<array{name: string, by: string}>
     */
    public function struckOut(Judgement $judgement): array
    {
        $struck = [];
        foreach ($judgement->struck as $group => $spoken) {
            $struck[] = ['name' => $this->say->group($group), 'by' => $this->reading($spoken)];
        }

        return $struck;
    }

    /** @return list<array{name: string, mass: float}> two faults at once, likeliest first */
    public function pairs(Judgement $judgement): array
    {
        $pairs = [];
        foreach ($judgement->margins->pairs as $names => $mass) {
            $both = array_map(fn (string $one): string => $this->say->suspect($one), Pair::names($names));
            $pairs[] = ['name' => implode(' + ', $both), 'mass' => $mass];
        }

        return $pairs;
    }

    /** One sentence on what the newest reading changed; null where it is none. */
    public function learned(LoadedJob $loaded): ?string
    {
        $judgement = $loaded->judgement();
        $newest = $loaded->last()?->id()->toRfc4122();

        return null !== $judgement && $judgement->margins->newest === $newest ? $this->change($judgement) : null;
    }

    /** "Caliper, left front struck out: …" or "Hose, left front from 40% to 84%": what the newest reading changed. */
    public function change(Judgement $judgement): string
    {
        $group = $judgement->leader();
        $mass = $judgement->group($group);
        $before = $judgement->margins->before;
        $lost = null;
        $fall = self::LOST;
        foreach ($before as $other => $had) {
            if (!$group->is($other) && $had - $judgement->group($other) > $fall) {
                $fall = $had - $judgement->group($other);
                $lost = $other;
            }
        }
        $said = ['lead' => $this->say->group($group), 'percent' => Percent::of($mass)];
        if (null !== $lost && $judgement->group($lost) < self::GONE) {
            return $this->say->ui('learned.struck', ['lost' => $this->say->group($lost)] + $said);
        }
        $had = $before[(string) $group] ?? 0.0;
        if (abs($mass - $had) < self::LITTLE) {
            $open = implode(', ', array_map($this->say->check(...), \array_slice($judgement->advice->unread, 0, 3)));

            return $this->say->ui('' === $open ? 'learned.little' : 'learned.little-open', $said + ['open' => $open]);
        }

        return $this->say->ui('learned.moved', ['was' => Percent::of($had)] + $said);
    }

    /**
     * What a reading did: "points to left front; does not tell Hose, left front from Guide pins, left front".
     *
     * @return array{did: string, moved: bool}
     */
    public function sway(Sway $sway): array
    {
        $did = [];
        $what = '' !== $sway->place ? $this->say->place($sway->place) : '';
        $what = '' !== $sway->to ? $this->say->group($sway->to) : $what;
        if ('' !== $what) {
            $did[] = $this->say->ui('sway.to', ['what' => $what]);
        }
        if ('' !== $sway->from) {
            $did[] = $this->say->ui('sway.from', ['what' => $this->say->group($sway->from)]);
        }
        if ($sway->out > 0) {
            $did[] = $this->say->ui('sway.out', ['n' => (string) $sway->out]);
        }
        $moved = [] !== $did;
        if ([] !== $sway->between) {
            [$one, $other] = array_map($this->say->group(...), $sway->between);
            $did[] = $this->say->ui('sway.untold', ['one' => $one, 'other' => $other]);
        }

        return ['did' => [] === $did ? $this->say->ui('sway.nothing') : implode('; ', $did), 'moved' => $moved];
    }

    /** @return list<string> what the blamed part cannot explain, in words */
    public function commonCauses(Judgement $judgement): array
    {
        return array_map(fn (array $cause): string => $this->say->ui('common.'.$cause['key'], [
            'what' => $this->say->suspect($cause['suspect']),
            'where' => implode(', ', array_map($this->say->place(...), $cause['places'])),
        ]), $judgement->margins->common);
    }

    /** @return list<array{name: string, mass: float}> */
    private function modes(Judgement $judgement, GroupAt $group): array
    {
        $said = [];
        foreach ($judgement->suspects as $suspect => $mass) {
            $at = SuspectAt::parse($suspect);
            $own = $this->catalogue->faults->of($at)->cure->groupFor($at->place)->is($group);
            if ($own && $mass >= self::MODE_FROM && \count($said) < self::MODES) {
                $said[] = ['name' => $this->say->suspect($at), 'mass' => $mass];
            }
        }

        return $said;
    }

    /**
     * @param list<CitedReading> $spoken
     *
     * @return list<array{said: string, weight: string, ratio: string}>
     */
    private function said(array $spoken, bool $for): array
    {
        $said = [];
        foreach ($spoken as $one) {
            if (Weight::Neutral !== $one->weight && $one->weight->speaksFor() === $for) {
                $said[] = [
                    'said' => $this->reading($one),
                    'weight' => $this->say->ui('weight.'.$one->weight->value),
                    'ratio' => $this->ratio($one->ratio),
                ];
            }
        }

        return $said;
    }

    private function reading(CitedReading $spoken): string
    {
        return $this->say->check($spoken->check).': '.$this->say->outcome($spoken->check, $spoken->outcomes);
    }

    private function ratio(float $ratio): string
    {
        $odds = $ratio >= 1.0 ? $ratio : 1.0 / $ratio;
        $figure = $odds >= self::MANY ? '1000+' : (string) round($odds, $odds < 10.0 ? 1 : 0);

        return $this->say->ui('weight.odds', ['n' => $figure]);
    }
}
