<?php

declare(strict_types=1);

namespace Rodrel\Core\Road;

use Rodrel\Core\InvalidData;
use Rodrel\Core\Vocabulary\Corner;

/**
 * A table of something at the wheels over time, as `docs/formats/recordings.md` has it: a head `time_s,lf,rf,lr,rr`
 * (the wheels that were recorded), a row a sample, lines with # before it for what else is known.
 */
final readonly class Recording
{
    public const LEAST_SAMPLES = 20;
    private const MOST_SAMPLES = 50000;

    /**
     * @param list<float> $times s, rising
     * @param array<string, list<float>> $values by corner
     * @param array<string, string> $notes by name
     */
    private function __construct(public array $times, public array $values, public array $notes)
    {
    }

    /** @throws InvalidData with the line and what is expected there */
    public static function fromCsv(string $csv): self
    {
        $times = $values = $notes = [];
        $head = null;
        $separator = ',';
        $csv = str_replace(["\r\n", "\r", "\u{FEFF}"], ["\n", "\n", ''], $csv);
        foreach (explode("\n", $csv) as $n => $line) {
            if ('' === trim($line)) {
                continue;
            }
            if (str_starts_with(ltrim($line), '#')) {
                $pair = explode('=', ltrim($line, "# \t"), 2);
                $notes += isset($pair[1]) ? [trim($pair[0]) => trim($pair[1])] : [];
                continue;
            }
            if (null === $head) {
                $separator = str_contains($line, ';') ? ';' : (str_contains($line, "\t") ? "\t" : ',');
                $head = self::head(explode($separator, $line), $n + 1);
                $values = array_fill_keys($head, []);
                continue;
            }
            $cells = array_map(trim(...), explode($separator, $line));
            if (\count($cells) !== 1 + \count($head)) {
                throw self::wrong($n, \sprintf('%d columns are expected, as in the head', 1 + \count($head)));
            }
            $row = array_map(static fn (string $cell): float => self::number($cell, $separator, $n), $cells);
            if ([] !== $times && $row[0] <= $times[\count($times) - 1]) {
                throw self::wrong($n, 'time does not go on: seconds that rise are expected');
            }
            $times[] = $row[0];
            foreach ($head as $k => $corner) {
                $values[$corner][] = $row[$k + 1];
            }
        }
        if (\count($times) < self::LEAST_SAMPLES || \count($times) > self::MOST_SAMPLES) {
            throw InvalidData::at('/recording', \sprintf(
                '%d to %d samples are expected, there are %d',
                self::LEAST_SAMPLES,
                self::MOST_SAMPLES,
                \count($times),
            ));
        }

        return new self($times, $values, $notes);
    }

    /** A number that stands beside the table, or what is typical. */
    public function note(string $name, float $else): float
    {
        $said = str_replace(',', '.', $this->notes[$name] ?? '');

        return is_numeric($said) && (float) $said > 0.0 ? (float) $said : $else;
    }

    /**
     * @param list<string> $cells
     *
     * @return list<string> corners in the order of the columns
     */
    private static function head(array $cells, int $line): array
    {
        $names = array_map(static fn (string $cell): string => strtolower(trim($cell, " \"\t")), $cells);
        $corners = \array_slice($names, 1);
        $known = array_filter($corners, static fn (string $one): bool => null !== Corner::tryFrom($one));
        if (!\in_array($names[0], ['time_s', 'time'], true) || [] === $corners || $known !== $corners) {
            throw self::wrong($line - 1, 'a head like time_s,lf,rf,lr,rr is expected');
        }

        return $corners;
    }

    private static function number(string $cell, string $separator, int $n): float
    {
        $said = ',' === $separator ? $cell : str_replace(',', '.', $cell);

        return is_numeric($said)
            ? (float) $said
            : throw self::wrong($n, \sprintf('"%s" is no number', substr($cell, 0, 30)));
    }

    private static function wrong(int $n, string $what): InvalidData
    {
        return InvalidData::at('/recording/line/'.($n + 1), $what);
    }
}
