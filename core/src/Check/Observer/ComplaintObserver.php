<?php

declare(strict_types=1);

namespace Rodrel\Core\Check\Observer;

use Rodrel\Core\Check\Asked;
use Rodrel\Core\Check\Subject;
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

    public function see(Subject $subject, Asked $asked, ?array $sign): Seen
    {
        return new Seen(null === $sign ? $subject->complaints() : $this->elsewhere);
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
