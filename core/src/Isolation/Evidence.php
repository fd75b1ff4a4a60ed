<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Check\Chance;
use Rodrel\Core\Check\Observer\Common;
use Rodrel\Core\InvalidData;
use Rodrel\Core\Prediction\Signature;

/**
 * How likely one answered row is under every hypothesis, as columns over what can be predicted for it: by the job's
 * share of slips, then by how far off the cause is that the row shares with others.
 *
 * @phpstan-import-type PredictedRow from Signature
 */
final readonly class Evidence
{
    /** Slips of this job against the usual share, and how common that is (2 to 10 %; handbook). */
    public const SLIPS = [[1.0, 0.5], [2.5, 0.3], [5.0, 0.2]];
    /** Gauss and Hermite's points and weights for a normal: three where little is shared, five where much is. */
    private const FEW = [[-1.7320508, 0.1666667], [0.0, 0.6666667], [1.7320508, 0.1666667]];
    private const MANY = [
        [-2.8569700, 0.0112574],
        [-1.3556262, 0.2220759],
        [0.0, 0.5333333],
        [1.3556262, 0.2220759],
        [2.8569700, 0.0112574],
    ];
    private const ALONE = [[0.0, 1.0]];
    private const MUCH = 0.3;
    /** A round is walked carelessly so often: what was ticked good together was not looked at (estimate; 5 to 20 %). */
    public const CARELESS = 0.1;
    /** No row is wrong oftener (share). */
    private const WRONG_AT_MOST = 0.4;

    /**
     * @param int $reading which of the belief's readings
     * @param string $cause what it shares with others; '' for nothing
     * @param list<float> $weights of the points of the cause
     * @param list<int> $index which entry of a column each hypothesis has
     * @param array<int, list<non-empty-list<float>>> $columns by slips, then point, then entry
     */
    private function __construct(
        public int $reading,
        public string $cause,
        public array $weights,
        public array $index,
        public array $columns,
    ) {
    }

    /**
     * @return list<self> one per row that was read
     *
     * @throws InvalidData when it names an unknown check, row or word
     */
    public static function of(Field $field, Opening $opening, int $n, Reading $reading): array
    {
        $rows = [];
        $check = $field->knowledge->checks->of($reading->check);
        foreach ($reading->outcomes as $row => $word) {
            if (true !== ($check->row($row)?->counts($reading->outcomes) ?? true)) {
                continue;
            }
            $takes = [$word, ...$reading->earlier[$row] ?? []];
            $rows[] = self::row($field, $opening, $n, $reading, $row, $takes, $reading->numbers[$row] ?? null);
        }

        return $rows;
    }

    /** @param non-empty-list<string> $takes its word, and those of earlier takes */
    private static function row(
        Field $field,
        Opening $opening,
        int $n,
        Reading $reading,
        string $row,
        array $takes,
        ?float $number,
    ): self {
        $signature = $field->row($reading->check, $row);
        $common = $signature['common'];
        $points = match (true) {
            $common <= 0.0 => self::ALONE,
            $common >= self::MUCH => self::MANY,
            default => self::FEW,
        };
        $index = null === $number ? $signature['index'] : range(0, $field->named() - 1);
        $entries = null === $number ? \count($signature['table']) : $field->named();
        [$index, $combined] = self::withComposed($field, $index, $entries);
        $sound = self::sound($field, $index, $opening);
        $columns = [];
        [$byPoint, $slip] = null === $number
            ? self::takes($signature, $takes, array_column($points, 0), $reading->check->row($row))
            : self::numbers($signature, $number, array_column($points, 0), $reading->check->row($row));
        foreach ($byPoint as $chances) {
            foreach (self::SLIPS as $f => [$times]) {
                $wrong = min(self::WRONG_AT_MOST, $signature['blunder'] * $times);
                $mixed = [];
                foreach ($chances as $chance) {
                    $mixed[] = (1.0 - $wrong) * $chance + $wrong * $slip;
                }
                if ($reading->unsure) {
                    $mixed = array_map(sqrt(...), $mixed);
                }
                $neither = 0.0;
                foreach ($sound as $k => $share) {
                    $neither += $share * $mixed[$k];
                }
                foreach ($combined as [$one, $other]) {
                    $mixed[] = Composed::chance($mixed[$one], $mixed[$other], $neither);
                }
                $columns[$f][] = [] === $mixed ? [1.0] : $mixed;
            }
        }
        if (\in_array($row, $reading->covered, true)) {
            return self::covered($n, $reading, $signature, $index, $columns, array_column($points, 1));
        }

        return new self($n, $common > 0.0 ? $signature['cause'] : '', array_column($points, 1), $index, $columns);
    }

    /**
     * Ticked good with others: whoever walks carelessly ticks them all, whatever is there.
     *
     * @param PredictedRow $signature
     * @param list<int> $index
     * @param array<int, list<non-empty-list<float>>> $columns
     * @param list<float> $weights of the points of a cause that the row has already
     */
    private static function covered(
        int $n,
        Reading $reading,
        array $signature,
        array $index,
        array $columns,
        array $weights,
    ): self {
        if ($signature['common'] > 0.0) {
            $mix = static fn (float $chance): float => (1.0 - self::CARELESS) * $chance + self::CARELESS;
            foreach ($columns as $f => $points) {
                $columns[$f] = array_map(static fn (array $one): array => array_map($mix, $one), $points);
            }

            return new self($n, $signature['cause'], $weights, $index, $columns);
        }
        foreach ($columns as $f => [$seen]) {
            $columns[$f] = [$seen, array_fill(0, \count($seen), 1.0)];
        }

        return new self($n, 'walk '.$reading->entry(), [1.0 - self::CARELESS, self::CARELESS], $index, $columns);
    }

    /**
     * Taken several times: what was said oftenest; as likely one as the other where that is as often.
     *
     * @param PredictedRow $signature
     * @param non-empty-list<string> $takes
     * @param list<float> $points
     *
     * @return array{list<list<float>>, float} chance by point and prediction, and of a slip
     */
    private static function takes(array $signature, array $takes, array $points, string $key): array
    {
        $counts = array_count_values($takes);
        $oftenest = array_map(strval(...), array_keys($counts, max($counts), true));
        $told = array_map(
            static fn (string $word): array => self::words($signature, $word, $points, $key),
            $oftenest,
        );
        if (1 === \count($told)) {
            return $told[0];
        }
        $mean = [];
        foreach (array_keys($points) as $z) {
            $columns = array_map(static fn (array $one): array => $one[0][$z], $told);
            $mean[] = array_map(
                static fn (float ...$chances): float => array_sum($chances) / \count($chances),
                ...$columns,
            );
        }

        return [$mean, $told[0][1]];
    }

    /**
     * @param PredictedRow $signature
     * @param list<float> $points
     *
     * @return array{list<list<float>>, float} chance by point and prediction, and of a slip
     */
    private static function words(array $signature, string $word, array $points, string $key): array
    {
        $at = array_search($word, $signature['words'], true);
        if (!\is_int($at)) {
            $words = implode(', ', $signature['words']);
            throw InvalidData::at('/'.$key, \sprintf('"%s" is not an outcome; expected %s', $word, $words));
        }
        $blunder = $signature['blunder'];
        $slip = 1.0 / \count($signature['words']);
        $honest = static fn (float $p): float => max(0.0, ($p - $blunder * $slip) / (1.0 - $blunder));
        if ($signature['common'] <= 0.0) {
            return [[array_map($honest, array_column($signature['table'], $at))], $slip];
        }
        $chances = [];
        foreach ($signature['table'] as $predicted) {
            $given = Common::given(
                array_map($honest, $predicted),
                $at,
                $signature['noise'],
                $signature['common'],
                $points,
            );
            foreach ($given as $n => $chance) {
                $chances[$n][] = $chance;
            }
        }

        return [array_values($chances), $slip];
    }

    /**
     * @param PredictedRow $signature
     * @param list<float> $points
     *
     * @return array{list<list<float>>, float} density by point and hypothesis, and of a slip
     */
    private static function numbers(array $signature, float $number, array $points, string $key): array
    {
        if (!isset($signature['medians'], $signature['sound'])) {
            throw InvalidData::at('/'.$key, 'this row takes a word, not a number');
        }
        $rest = sqrt(max(1e-12, $signature['noise'] ** 2 - $signature['common'] ** 2));
        // a slip of the pen falls anywhere up to half over the largest number that any fault shows
        $slip = 1.0 / (1.5 * max(2.0 * $signature['sound'], 1e-9, ...$signature['medians']));
        $densities = [];
        foreach ($points as $z) {
            $shift = exp($signature['common'] * $z);
            $densities[] = array_map(
                static fn (float $median): float => Chance::density($number, $median * $shift, $rest),
                $signature['medians'],
            );
        }

        return [$densities, $slip];
    }

    /**
     * @param list<int> $index entry of each named hypothesis
     * @param int $entries how many there are
     *
     * @return array{list<int>, list<array{int, int}>} the same with the composed ones; the two that each entry more is
     *     made of
     */
    private static function withComposed(Field $field, array $index, int $entries): array
    {
        $known = $combined = [];
        foreach ($field->composed as [$i, $j]) {
            $key = $index[$i] * $entries + $index[$j];
            if (!isset($known[$key])) {
                $known[$key] = $entries + \count($combined);
                $combined[] = [$index[$i], $index[$j]];
            }
            $index[] = $known[$key];
        }

        return [$index, $combined];
    }

    /**
     * Which entries a vehicle without any fault shows, with their shares: its own, or where none is in the field the
     * average of what was thought at first.
     *
     * @param list<int> $index
     *
     * @return array<int, float> by entry
     */
    private static function sound(Field $field, array $index, Opening $opening): array
    {
        $nothing = $field->nothing();
        if (null !== $nothing) {
            return [$index[$nothing] => 1.0];
        }
        $shares = [];
        $sum = 0.0;
        for ($i = 0; $i < $field->named(); ++$i) {
            $shares[$index[$i]] = ($shares[$index[$i]] ?? 0.0) + $opening->weights[$i];
            $sum += $opening->weights[$i];
        }

        return array_map(static fn (float $share): float => $share / max(1e-12, $sum), $shares);
    }
}
