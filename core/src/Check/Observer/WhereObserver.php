<?php

declare(strict_types=1);

namespace Rodrel\Core\Check\Observer;

use Rodrel\Core\Check\Asked;
use Rodrel\Core\Check\Check;
use Rodrel\Core\Check\Row;
use Rodrel\Core\Check\Subject;
use Rodrel\Core\Fault\Particle;
use Rodrel\Core\Shape;
use Rodrel\Core\Vocabulary\Place;

/**
 * What only the eye sees, and where. Words: as it should be · not, and nobody can tell where · then one for each
 * place. A fault says with which chance something is to be seen; it is seen at the fault's own place, or at the chamber
 * that feeds it.
 */
final readonly class WhereObserver extends Observer
{
    /**
     * @param non-empty-list<float> $base chance of each word when no fault speaks to it
     * @param float $told share of what is seen whose place can be told
     */
    private function __construct(Wording $wording, private array $base, private float $told)
    {
        parent::__construct($wording);
    }

    public static function kind(): string
    {
        return 'where';
    }

    public static function fromShape(Shape $shape, Observers $book): self
    {
        $wording = Wording::fromShape($shape);
        $base = $shape->numbers('base');
        if (2 !== \count($base) || abs(array_sum($base) - 1.0) > 1e-6 || \count($wording->words) < 3) {
            $shape->miss('base', 'two chances, summing to 1, and at least one place are expected');
            $base = [0.5, 0.5];
        }
        $told = $shape->share('told');
        $places = \count($wording->words) - 2;
        $each = $base[1] * $told / max(1, $places);

        $where = array_fill(0, max(0, $places), $each);

        return new self($wording, [$base[0], $base[1] * (1.0 - $told), ...$where], $told);
    }

    public function isSign(): bool
    {
        return true;
    }

    public function signWidth(): int
    {
        return 2;
    }

    public function sign(Particle $particle, Subject $subject, Asked $asked, Check $check, Row $row): ?array
    {
        $sign = $particle->fault->signs->of($check->id, $row->id);
        if (null === $sign) {
            return null;
        }
        $shows = $particle->fault->signs->where($check->id, $row->id);
        $here = null !== $shows ? array_intersect(\array_slice($this->words(), 2), $shows) : array_filter(
            \array_slice($this->words(), 2),
            static fn (string $word): bool => $subject->instruments->layout->reaches(Place::of($word), $particle->place)
                || $particle->place->is($word),
        );
        $bad = $sign[1] ?? 0.0;
        $chances = [$sign[0], [] === $here ? $bad : $bad * (1.0 - $this->told)];
        foreach (\array_slice($this->words(), 2) as $word) {
            $chances[] = \in_array($word, $here, true) ? $bad * $this->told / \count($here) : 0.0;
        }

        return $chances;
    }

    public function together(array $one, array $other): array
    {
        // what is seen of either: the first that is met is told
        $both = [$one[0] * $other[0]];
        foreach (array_keys($this->words()) as $i) {
            if (0 !== $i) {
                $both[] = 0.5 * ($one[$i] * (1.0 + $other[0]) + $other[$i] * (1.0 + $one[0]));
            }
        }
        $sum = max(1e-12, array_sum($both));

        return array_map(static fn (float $chance): float => $chance / $sum, $both);
    }

    public function see(Subject $subject, Asked $asked, ?array $sign): Seen
    {
        return new Seen($sign ?? $this->base);
    }
}
