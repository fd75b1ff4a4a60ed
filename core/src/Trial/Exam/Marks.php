<?php

declare(strict_types=1);

namespace Rodrel\Core\Trial\Exam;

use Rodrel\Core\Trial\Tally;

/**
 * What came of many played jobs, in the words of the table.
 *
 * @phpstan-import-type Marked from Sitting
 */
final readonly class Marks
{
    /**
     * @param non-empty-list<Marked> $played
     *
     * @return array<string, string>
     */
    public static function of(array $played): array
    {
        /** @return \Closure(Marked): bool */
        $is = static fn (string ...$status): \Closure => static fn (array $one): bool => \in_array(
            $one['status'],
            $status,
            true,
        );
        $faulty = array_filter($played, static fn (array $one): bool => !$one['good']);
        $good = array_filter($played, static fn (array $one): bool => $one['good']);
        $two = array_filter($played, static fn (array $one): bool => $one['two']);
        /** @param Marked $one */
        $wrong = static fn (array $one): bool => 'wrong' === $one['status'] || true === $one['wrong_second'];
        $each = array_map(floatval(...), array_column($played, 'acts'));
        $acts = array_sum($each);
        $ratios = array_map(static fn (array $one): float => $one['minutes'] / $one['technician'], $played);
        $strange = array_sum(array_map(static fn (array $one): int => \count($one['strange']), $played));
        $never = array_sum(array_map(static fn (array $one): int => \count($one['never']), $played));

        return [
            'right repair group, of faulty vehicles' => self::share($is('right', 'part'), $faulty),
            'good vehicles let go' => self::share($is('let-go'), $good),
            'faulty vehicles let go' => self::share($is('missed'), $faulty),
            'second fault named after the first is cured' => self::share(
                static fn (array $one): bool => $one['second'],
                $two,
            ),
            'wrong repair named' => self::share($wrong, $played),
            'undecided after thirty acts' => self::share($is('open'), $played),
            'minutes against a technician\'s, median' => \sprintf('%.2f', Tally::mean($ratios)['median']),
            'acts a job, median' => \sprintf('%.0f', Tally::mean($each)['median']),
            'steps outside the sensible list' => \sprintf('%.1f %%', 100.0 * $strange / max(1, $acts)),
            'steps that nobody should make' => (string) $never,
            'repeats a job' => \sprintf('%.2f', array_sum(array_column($played, 'repeats')) / \count($played)),
            'refused acts' => (string) array_sum(array_column($played, 'refused')),
        ];
    }

    /**
     * @param \Closure(Marked): bool $is
     * @param array<Marked> $of
     */
    private static function share(\Closure $is, array $of): string
    {
        $hits = \count(array_filter($of, $is));
        $share = Tally::share($hits, \count($of));

        return \sprintf('%d of %d (%.0f to %.0f %%)', $hits, \count($of), 100 * $share['low'], 100 * $share['high']);
    }
}
