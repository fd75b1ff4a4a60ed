<?php

declare(strict_types=1);

namespace Rodrel\Core\Check\Observer;

use Rodrel\Core\Check\Asked;
use Rodrel\Core\Check\Check;
use Rodrel\Core\Check\Row;
use Rodrel\Core\Check\Subject;
use Rodrel\Core\Fault\Particle;
use Rodrel\Core\Shape;

/** What a driver complains about, in the catalogue's complaints. */
final readonly class ComplaintObserver extends Observer
{
    /** @param non-empty-list<float> $elsewhere what is said of brakes that are sound: a tyre, a joint, a new driver */
    private function __construct(Wording $wording, private array $elsewhere)
    {
        parent::__construct($wording);
    }

    public static function kind(): string
    {
        return 'complaint';
    }

    public static function fromShape(Shape $shape, Observers $book): self
    {
        return new self(Wording::fromShape($shape, $book->complaints->words()), $book->complaints->elsewhere());
    }

    public function sign(Particle $particle, Subject $subject, Asked $asked, Check $check, Row $row): ?array
    {
        $signs = $particle->fault->signs;
        if ([] === $signs->told) {
            return $signs->of($check->id, $row->id);
        }

        return array_map(static fn (string $word): float => $signs->told[$word] ?? 0.0, $this->words());
    }

    /** Either is told; where both are, one of them. */
    public function together(array $one, array $other): array
    {
        if (\count($one) !== \count($other)) {
            return \count($one) > \count($other) ? $one : $other;
        }
        $both = [];
        foreach ($one as $i => $share) {
            $both[] = $share + $other[$i];
        }
        $sum = max(1.0, array_sum($both));

        return array_map(static fn (float $share): float => $share / $sum, $both);
    }

    /** What drivers tell in the fault's own words, and the rest in what the model shows. */
    public function see(Subject $subject, Asked $asked, ?array $sign): Seen
    {
        if (null === $sign) {
            return new Seen($subject->complaints());
        }
        if (1 === \count($sign)) {
            return new Seen($this->elsewhere);
        }
        $rest = 1.0 - array_sum($sign);

        return new Seen(array_map(
            static fn (float $told, float $shown): float => $told + $rest * $shown,
            $sign,
            $subject->complaints(),
        ));
    }

    public function takesSigns(): bool
    {
        return true;
    }

    /** A fault says only that whatever is complained of comes from elsewhere. */
    public function signWidth(): int
    {
        return 1;
    }
}
