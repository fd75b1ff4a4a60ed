<?php

declare(strict_types=1);

namespace Rodrel\Core\Trial\Exam;

use Rodrel\Core\Check\Check;
use Rodrel\Core\Check\Checks;
use Rodrel\Core\Check\Observer\SignObserver;
use Rodrel\Core\InvalidData;
use Rodrel\Core\Vehicle\Layout;
use Rodrel\Core\Vocabulary\CheckAt;
use Rodrel\Core\Vocabulary\Corner;
use Rodrel\Core\Vocabulary\Place;

/**
 * What every check shows of a vehicle that was written down: its own lines, else what a sound one shows. Two short
 * words stand for many checks: `held` for all that turn or touch a wheel, `trap` for all that loosen its line.
 */
final readonly class Answers
{
    /** The joints of a wheel's line, from the wheel to the pedal, and where pressure is held that they free. */
    private const RUNGS = [
        'bleeder-open' => ['spurts-frees', 'dribbles-stuck', ['hose', 'pipe', 'modulator', 'port', 'rod', 'vent']],
        'hose-top' => ['frees', 'stays-stuck', ['pipe', 'modulator', 'port', 'rod', 'vent']],
        'modulator-outlet' => ['frees', 'stays-stuck', ['modulator', 'port', 'rod', 'vent']],
        'master-outlet' => ['frees', 'stays-stuck', ['port', 'rod', 'vent']],
        'master-eased' => ['frees', 'stays-stuck', ['rod']],
        'cap-loosened' => ['frees', 'stays-stuck', ['vent']],
    ];
    private const TURNED = ['spin', 'spin-later', 'spin-series', 'spin-hard', 'spin-hot'];
    private const HARD = ['two-hands', 'will-not-turn'];

    /** @param array<string, array<string, array<string, string>>> $own word by row, by check, then place; '' for any */
    private function __construct(private Checks $checks, private array $own)
    {
    }

    /**
     * @param list<string> $sound how a sound vehicle answers, where that is not plain
     * @param list<string> $lines of the job
     */
    public static function of(Checks $checks, Layout $layout, array $sound, array $lines): self
    {
        $own = [];
        foreach ([...$sound, ...$lines] as $line) {
            foreach (self::read($checks, $layout, $line) as [$check, $place, $rows]) {
                $own[$check][$place] = $rows + ($own[$check][$place] ?? []);
            }
        }

        return new self($checks, $own);
    }

    /** @return array<string, string> word by row */
    public function to(CheckAt $at): array
    {
        $check = $this->checks->of($at);
        $said = [];
        foreach ($check->rows as $row) {
            $said[$row->id] = $this->own[$at->id][$at->place->id][$row->id]
                ?? $this->own[$at->id][''][$row->id]
                ?? self::usual($check, $row->id);
        }

        return $said;
    }

    /** @return list<CheckAt> checks at their places that the job itself tells of */
    public static function told(Checks $checks, Layout $layout, Written $job): array
    {
        $told = [];
        foreach (self::of($checks, $layout, [], $job->lines)->own as $check => $places) {
            foreach (array_keys($places) as $place) {
                $told[] = CheckAt::of($check, '' === $place ? Place::vehicle() : Place::of($place));
            }
        }

        return $told;
    }

    /** The commonest word of the catalogue, or the first of a scale. */
    private static function usual(Check $check, string $row): string
    {
        $observer = $check->rows[$row]->observer;

        return $observer instanceof SignObserver ? $observer->good() : $observer->words()[0];
    }

    /** @return list<array{string, string, array<string, string>}> check, place or '' for any, and word by row */
    private static function read(Checks $checks, Layout $layout, string $line): array
    {
        $words = Written::words($line);
        $first = (string) array_shift($words);
        if (\in_array($first, ['held', 'series', 'trap'], true)) {
            $found = [];
            $where = (string) array_shift($words);
            foreach ('all' === $where ? Corner::cases() : [Corner::from($where)] as $wheel) {
                array_push($found, ...'trap' === $first
                    ? self::trap($wheel->value, $words[0] ?? '')
                    : self::held($first, $wheel->value, $words));
            }

            return $found;
        }
        $rows = [];
        foreach ($words as $word) {
            [$row, $said] = str_contains($word, '=') ? explode('=', $word, 2) : ['', $word];
            $rows[$row] = self::circuit($layout, $said) ?? $said;
        }
        $at = CheckAt::anywhere($first);
        $place = CheckAt::isPlaced($first) ? self::circuit($layout, $at->place->id, true) ?? $at->place->id : '';
        $known = $checks->of($at);
        if (isset($rows['']) && null === $known->row('')) {
            $rows = array_fill_keys(array_keys($known->rows), $rows['']);
        }
        foreach ($rows as $row => $said) {
            if (!\in_array($said, $known->row($row)?->observer->words() ?? [], true)) {
                throw InvalidData::at('/'.$first, \sprintf('"%s" is no word of its row "%s"', $said, $row));
            }
        }

        return [[$at->id, $place, $rows]];
    }

    /** `of-lf` is the circuit that feeds the left front wheel; where there is one alone its level is just low. */
    private static function circuit(Layout $layout, string $word, bool $place = false): ?string
    {
        if (!str_starts_with($word, 'of-')) {
            return null;
        }

        return !$place && 1 === \count($layout->chambers)
            ? 'bad'
            : $layout->chamberOf(Corner::from(substr($word, 3)))->id;
    }

    /**
     * @param list<string> $words
     *
     * @return list<array{string, string, array<string, string>}>
     */
    private static function held(string $what, string $wheel, array $words): array
    {
        $word = (string) array_shift($words);
        if ('series' === $what) {
            return array_map(
                static fn (string $check): array => [$check, '', [$wheel => $word]],
                ['spin-series', 'spin-hard', 'spin-hot'],
            );
        }
        $more = [];
        foreach ($words as $one) {
            [$key, $said] = explode('=', $one, 2);
            $more[$key] = $said;
        }
        $hard = \in_array($word, self::HARD, true);
        $found = array_fill_keys(self::TURNED, $word);
        $found['spin-later'] = $more['later'] ?? $word;
        $found['free-after'] = $more['frees'] ?? 'not-free';
        $found += array_fill_keys(['heat-arrival', 'heat-loop', 'brake-loop'], $hard ? 'hot' : 'warm');
        $found['dust'] = 'dustier';
        $found['smell'] = $hard ? 'burnt' : 'no-smell';
        $lines = [];
        foreach ($found as $check => $said) {
            $lines[] = [$check, '', [$wheel => $said]];
        }
        $lines[] = ['engine', '', ['on' => $word, 'off' => $word]];
        $lines[] = ['relay-out', '', ['vented' => $word, 'hand-pump' => $word]];

        return $lines;
    }

    /** @return list<array{string, string, array<string, string>}> */
    private static function trap(string $wheel, string $where): array
    {
        $found = [];
        foreach (self::RUNGS as $check => [$frees, $stuck, $held]) {
            $found[] = [$check, $wheel, ['' => \in_array($where, $held, true) ? $frees : $stuck]];
        }
        if ('wheel' !== $where) {
            $found[] = ['push-back', $wheel, ['' => 'hard-shut-easy-open']];
            $found[] = ['line-runs', $wheel, ['' => 'drops']];
            $found[] = ['gauge', $wheel, ['after-1' => 'much-left', 'after-5' => 'some-left']];
        }

        return $found;
    }
}
