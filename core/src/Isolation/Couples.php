<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Prediction\PairShelf;
use Rodrel\Core\Vocabulary\SuspectAt;

/** Which pairs are worth a thought: the leading single faults with each other, and with what typically comes along. */
final readonly class Couples
{
    /** Leading single faults that are paired (handbook). */
    private const LEADERS = 10;
    /** Fainter ones are not (share). */
    private const WORTH_PAIRING = 0.001;
    /** Before so much was read nothing leads. */
    private const READINGS = 3;

    /**
     * @return array<string, array{SuspectAt, SuspectAt}> by both names
     */
    public static function of(Belief $belief): array
    {
        $field = $belief->field;
        $checks = $field->knowledge->checks;
        $made = array_filter($belief->readings, static fn (Reading $r): bool => !$checks->of($r->check)->role->asked);
        if (\count($made) < self::READINGS) {
            return [];
        }
        $single = 1.0 - $belief->second();
        $leaders = array_map(SuspectAt::parse(...), array_keys(\array_slice(array_filter(
            $belief->suspects,
            static fn (float $mass): bool => $mass > self::WORTH_PAIRING * $single,
        ), 0, self::LEADERS)));
        $couples = [];
        $book = $field->knowledge->pairs;
        foreach ($leaders as $n => $one) {
            $partners = [
                ...\array_slice($leaders, $n + 1),
                ...$book->with($one, $field->knowledge->faults, $field->layout),
            ];
            foreach ($partners as $other) {
                $none = 'none' === $field->groupOf($one)->id || 'none' === $field->groupOf($other)->id;
                if (!$none && !$field->groupOf($one)->is($field->groupOf($other))) {
                    [$a, $b] = (string) $one < (string) $other ? [$one, $other] : [$other, $one];
                    $couples[$a.' '.$b] = [$a, $b];
                }
            }
        }

        return $couples;
    }

    /**
     * The field with those of the couples whose predictions are there.
     *
     * @param array<string, array{SuspectAt, SuspectAt}> $couples
     */
    public static function join(Field $field, array $couples, PairShelf $shelf): Field
    {
        ksort($couples);
        $found = [] === $couples ? [] : $shelf->pairs($field->layout, $couples);
        $pairs = $signatures = [];
        foreach ($couples as $name => $couple) {
            if (isset($found[$name])) {
                $pairs[] = $couple;
                $signatures[] = $found[$name];
            }
        }

        return [] === $pairs ? $field : $field->withPairs($pairs, $signatures);
    }
}
