<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Shape;
use Rodrel\Core\Vocabulary\PartAt;

/** What stands beside a belief: expected money, what the newest reading changed, what a blamed part cannot explain. */
final readonly class Margins
{
    /**
     * @param float $expectedCents to cure it now
     * @param float $truthCents if the truth were known
     * @param array<string, float> $before groups without the newest reading
     * @param list<array{key: string, suspect: string, places: list<string>}> $common
     */
    private function __construct(
        public float $expectedCents,
        public float $truthCents,
        public array $before,
        public string $newest,
        public array $common,
        public string $signature,
    ) {
    }

    /** @param list<PartAt> $fitted */
    public static function of(Belief $belief, Situation $now, Settings $settings, array $fitted): self
    {
        $costs = Costs::of($belief->field, $settings);
        $masses = array_map(static fn (string $group): float => $belief->group($group), $belief->field->groups->names);
        $masses[] = $belief->second();
        $last = array_key_last($belief->readings);
        $before = null === $last ? [] : $belief->field->groups->sums($belief->without($last)->posterior);

        return new self(
            $costs->expected($masses),
            $costs->ifTruthWereKnown($masses),
            array_filter($before, static fn (float $mass): bool => $mass >= 0.001),
            null === $last ? '' : $belief->readings[$last]->id,
            array_map(
                static fn (CommonCause $cause): array => $cause->toArray(),
                CommonCause::in($belief, $now, $fitted),
            ),
            $belief->field->signature->key,
        );
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
        );
    }
}
