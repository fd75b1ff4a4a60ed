<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Shape;

/** What drivers call things: which complaints are taken for each other, and how far all they say can carry. */
final readonly class Drivers
{
    /**
     * @param float $floor share of drivers who might have said anything
     * @param list<array{list<string>, float}> $alike complaints that are taken for each other, and how often
     * @param array<string, float> $astray share of vehicles that do not behave as the model says, by family of readings
     */
    private function __construct(public float $floor, private array $alike, private array $astray)
    {
    }

    public static function fromShape(Shape $shape): self
    {
        $alike = [];
        foreach ($shape->each('taken_for_each_other') as $row) {
            $alike[] = [$row->texts('complaints'), $row->share('share')];
        }

        return new self($shape->share('floor'), $alike, $shape->numberMap('astray'));
    }

    /** Takes everything at its word. */
    public static function plain(): self
    {
        return new self(0.0, [], []);
    }

    public function astray(string $family): float
    {
        return $this->astray[$family] ?? 0.0;
    }

    /**
     * What a driver who says a word means, as shares of what those who mean it say.
     *
     * @param list<string> $words all complaints
     *
     * @return array<int, float> by place of the complaint that is meant
     */
    public function calls(string $word, array $words): array
    {
        $calls = [];
        $lost = 0.0;
        foreach ($this->alike as [$complaints, $share]) {
            if (!\in_array($word, $complaints, true)) {
                continue;
            }
            $lost += $share;
            foreach ($complaints as $other) {
                $at = array_search($other, $words, true);
                if ($other !== $word && \is_int($at)) {
                    $calls[$at] = ($calls[$at] ?? 0.0) + $share / (\count($complaints) - 1);
                }
            }
        }
        $own = (int) array_search($word, $words, true);
        $calls[$own] = max(0.0, 1.0 - $lost);

        return $calls;
    }
}
