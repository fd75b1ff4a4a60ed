<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Vocabulary\CheckAt;

/** The readings cannot all be true of one fault: which ones to take again. */
final readonly class Contradiction
{
    /** Suspects lighter than this are not asked (share of belief; estimate). */
    private const SUSPECT_ABOVE = 0.05;
    /** A reading this unlikely under a suspect is not explained by it (estimate). */
    private const CHANCE_BELOW = 0.05;
    /** Nor are readings whose surprise together is so many deviations over what was expected (estimate). */
    private const DEVIATIONS = 3.0;

    /** @param list<Reading> $again the one or two readings whose removal helps most */
    private function __construct(public array $again)
    {
    }

    /** Null when at least one suspect explains the readings well enough. */
    public static function in(Belief $belief): ?self
    {
        if (\count($belief->readings) < 2) {
            return null;
        }
        $heavy = array_filter($belief->suspects, static fn (float $mass): bool => $mass > self::SUSPECT_ABOVE);
        $suspects = array_keys($heavy);
        // where a second fault carries all the belief, the best single suspects are asked
        $suspects = [] !== $suspects ? $suspects : \array_slice(array_keys($belief->suspects), 0, 3);
        $without = array_map(
            static fn (int $n): array => $belief->without($n)->posterior,
            array_keys($belief->readings),
        );
        $found = true;
        foreach ($suspects as $suspect) {
            if (!self::explainsBadly($belief, $suspect, $without)) {
                $found = false;
                break;
            }
        }

        return $found ? new self(self::mostHelpful($belief)) : null;
    }

    /**
     * Some reading had less than a 5 % chance, or the summed surprise is three deviations over what was expected.
     *
     * @param list<array<int, float>> $withouts posterior without each reading
     */
    private static function explainsBadly(Belief $belief, string $suspect, array $withouts): bool
    {
        $surprise = $expected = $variance = 0.0;
        foreach ($belief->readings as $n => $reading) {
            $without = $withouts[$n];
            foreach ($reading->outcomes as $row => $outcome) {
                $chances = self::wordChances($belief->field, $without, $suspect, $reading->check, $row);
                $chance = $chances[$outcome];
                if ($chance < self::CHANCE_BELOW && !$reading->unsure) {
                    return true;
                }
                $half = $reading->unsure ? 0.5 : 1.0;
                $surprise -= $half * log($chance);
                $mean = $square = 0.0;
                foreach ($chances as $p) {
                    $mean -= $p > 0.0 ? $p * log($p) : 0.0;
                    $square += $p > 0.0 ? $p * log($p) ** 2 : 0.0;
                }
                $expected += $half * $mean;
                $variance += $half * max(0.0, $square - $mean * $mean);
            }
        }

        return $surprise > $expected + self::DEVIATIONS * sqrt($variance);
    }

    /**
     * @param array<int, float> $weights
     *
     * @return array<string, float>
     */
    private static function wordChances(
        Field $field,
        array $weights,
        string $suspect,
        CheckAt $check,
        string $row,
    ): array {
        $signature = $field->signature->rows[$check->row($row)];
        $mass = array_fill_keys($signature['words'], 0.0);
        $sum = 0.0;
        foreach ($field->suspects->members($suspect) as $i) {
            $sum += $weights[$i];
            foreach ($signature['table'][$signature['index'][$i]] as $k => $chance) {
                $mass[$signature['words'][$k]] += $weights[$i] * $chance;
            }
        }

        return array_map(static fn (float $m): float => $m / max($sum, 1e-300), $mass);
    }

    /** @return list<Reading> */
    private static function mostHelpful(Belief $belief): array
    {
        $gain = [];
        foreach (array_keys($belief->readings) as $n) {
            $gain[$n] = $belief->bestFit($belief->without($n));
        }
        arsort($gain);

        $most = \array_slice(array_keys($gain), 0, 2);

        return array_map(static fn (int $n): Reading => $belief->readings[$n], $most);
    }
}
