<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Shape;
use Rodrel\Core\Vocabulary\PartAt;

/** What stands beside a belief: expected money, what the newest reading changed, what a blamed part cannot explain. */
final readonly class Margins
{
    /** Fainter pairs are not shown (share of belief). */
    private const PAIR_FROM = 0.02;
    private const PAIRS = 3;

    /**
     * @param float $expectedCents to cure it now
     * @param float $truthCents if the truth were known
     * @param array<string, float> $before groups without the newest reading, or the newest round
     * @param list<array{key: string, suspect: string, places: list<string>}> $common
     * @param array<string, float> $pairs mass of two faults at once, by both their names, heaviest first
     */
    private function __construct(
        public float $expectedCents,
        public float $truthCents,
        public array $before,
        public string $newest,
        public array $common,
        public string $signature,
        public array $pairs,
    ) {
    }

    /** @param list<PartAt> $fitted */
    public static function of(Belief $belief, Situation $now, Settings $settings, array $fitted): self
    {
        $costs = Costs::of($belief->field, $settings);
        $folded = $belief->field->folded($belief->weights->posterior);
        $sums = $belief->field->groups->sums($folded);
        $masses = array_map(static fn (string $name): float => $sums[$name], $belief->field->groups->names);
        $last = array_key_last($belief->readings);
        $before = null === $last ? [] : self::before($belief, $last);
        arsort($before);
        $suspects = $belief->field->suspects->sums($folded);
        arsort($suspects);

        return new self(
            $costs->expected($masses),
            $costs->ifTruthWereKnown($masses),
            array_filter($before, static fn (float $mass): bool => $mass >= 0.001),
            null === $last ? '' : $belief->readings[$last]->entry(),
            array_map(
                static fn (CommonCause $cause): array => $cause->toArray(),
                CommonCause::in($belief, $now, $fitted),
            ),
            $belief->field->signature->key,
            \array_slice(array_filter(
                $suspects,
                static fn (float $mass, string $name): bool => $mass >= self::PAIR_FROM && Pair::is($name),
                \ARRAY_FILTER_USE_BOTH,
            ), 0, self::PAIRS),
        );
    }

    /** @return array<string, float> by group */
    private static function before(Belief $belief, int $last): array
    {
        $entry = $belief->readings[$last]->entry();
        $older = static fn (Reading $one): bool => $one->entry() !== $entry;
        $rest = array_values(array_filter($belief->readings, $older));

        return \count($rest) === \count($belief->readings) - 1
            ? $belief->groupsWithout($last)
            : Belief::of($belief->field, $belief->opening, $rest)->groups;
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'expectedCents' => $this->expectedCents,
            'truthCents' => $this->truthCents,
            'before' => $this->before,
            'newest' => $this->newest,
            'common' => $this->common,
            'signature' => $this->signature,
            'pairs' => $this->pairs,
        ];
    }

    public static function fromShape(Shape $shape): self
    {
        $common = [];
        foreach ($shape->each('common') as $cause) {
            $common[] = [
                'key' => $cause->text('key'),
                'suspect' => $cause->text('suspect'),
                'places' => $cause->texts('places'),
            ];
        }

        return new self(
            $shape->number('expectedCents'),
            $shape->number('truthCents'),
            $shape->numberMap('before'),
            $shape->text('newest'),
            $common,
            $shape->text('signature'),
            $shape->numberMap('pairs'),
        );
    }
}
