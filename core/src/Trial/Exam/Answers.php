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

    /** @param array<string, array<string, string>> $own word by row, by check or check at its place */
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
            foreach (self::read($checks, $layout, $line) as $check => $rows) {
                $own[$check] = $rows + ($own[$check] ?? []);
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
            $said[$row->id] = $this->own[(string) $at][$row->id]
                ?? $this->own[$at->id][$row->id]
                ?? self::usual($check, $row->id);
        }

        return $said;
    }

    /** Whether the job says anything about it. */
    public function names(string $check): bool
    {
        foreach (array_keys($this->own) as $own) {
            if (explode('@', $own)[0] === $check) {
                return true;
            }
        }

        return false;
    }

    /** @return list<string> checks at their places that the job itself tells of */
    public static function told(Checks $checks, Layout $layout, Written $job): array
    {
        return array_keys(self::of($checks, $layout, [], $job->lines)->own);
    }

    /** The commonest word of the catalogue, or the first of a scale. */
    private static function usual(Check $check, string $row): string
    {
        $observer = $check->rows[$row]->observer;

        return $observer instanceof SignObserver ? $observer->good() : $observer->words()[0];
    }

    /** @return array<string, array<string, string>> */
    private static function read(Checks $checks, Layout $layout, string $line): array
    {
        $words = Written::words($line);
        $first = (string) array_shift($words);
        if (\in_array($first, ['held', 'series', 'trap'], true)) {
            $found = [];
            $where = (string) array_shift($words);
            foreach ('all' === $where ? Corner::cases() : [Corner::from($where)] as $wheel) {
                $more = 'trap' === $first
                    ? self::trap($wheel->value, $words[0] ?? '')
                    : self::held($first, $wheel->value, $words);
                foreach ($more as $check => $rows) {
                    $found[$check] = $rows + ($found[$check] ?? []);
                }
            }

            return $found;
        }
        $check = self::placed($layout, $first);
        $rows = [];
        foreach ($words as $word) {
            [$row, $said] = str_contains($word, '=') ? explode('=', $word, 2) : ['', $word];
            $rows[$row] = self::placed($layout, $said);
        }
        $known = $checks->of(CheckAt::parse(str_contains($check, '@') ? $check : $check.'@vehicle'));
        if (isset($rows['']) && null === $known->row('')) {
            $rows = array_fill_keys(array_keys($known->rows), $rows['']);
        }
        foreach ($rows as $row => $said) {
            if (!\in_array($said, $known->row($row)?->observer->words() ?? [], true)) {
                throw InvalidData::at('/'.$check, \sprintf('"%s" is no word of its row "%s"', $said, $row));
            }
        }

        return [$check => $rows];
    }

    /** `of-lf` is the circuit that feeds the left front wheel. */
    private static function placed(Layout $layout, string $word): string
    {
        return (string) preg_replace_callback(
            '/of-(lf|rf|lr|rr)/',
            static function (array $found) use ($layout, $word): string {
                $circuit = $layout->chamberOf(Corner::from($found[1]))->id;
                $alone = 1 === \count($layout->chambers);

                return $alone && !str_contains($word, '@') ? 'bad' : $circuit;
            },
            $word,
        );
    }

    /**
     * @param list<string> $words
     *
     * @return array<string, array<string, string>>
     */
    private static function held(string $what, string $wheel, array $words): array
    {
        $word = (string) array_shift($words);
        if ('series' === $what) {
            return array_fill_keys(['spin-series', 'spin-hard', 'spin-hot'], [$wheel => $word]);
        }
        $more = [];
        foreach ($words as $one) {
            [$key, $said] = explode('=', $one, 2);
            $more[$key] = $said;
        }
        $hard = \in_array($word, self::HARD, true);
        $found = array_fill_keys(self::TURNED, [$wheel => $word]);
        $found['spin-later'] = [$wheel => $more['later'] ?? $word];
        $found['free-after'] = [$wheel => $more['frees'] ?? 'not-free'];
        $found += array_fill_keys(['heat-arrival', 'heat-loop', 'brake-loop'], [$wheel => $hard ? 'hot' : 'warm']);
        $found['dust'] = [$wheel => 'dustier'];
        $found['smell'] = [$wheel => $hard ? 'burnt' : 'no-smell'];
        $found['engine'] = ['on' => $word, 'off' => $word];
        $found['relay-out'] = ['vented' => $word, 'hand-pump' => $word];

        return $found;
    }

    /** @return array<string, array<string, string>> */
    private static function trap(string $wheel, string $where): array
    {
        $found = [];
        foreach (self::RUNGS as $check => [$frees, $stuck, $held]) {
            $found[$check.'@'.$wheel] = ['' => \in_array($where, $held, true) ? $frees : $stuck];
        }
        if ('wheel' !== $where) {
            $found['push-back@'.$wheel] = ['' => 'hard-shut-easy-open'];
            $found['line-runs@'.$wheel] = ['' => 'drops'];
            $found['gauge@'.$wheel] = ['after-1' => 'much-left', 'after-5' => 'some-left'];
        }

        return $found;
    }
}
