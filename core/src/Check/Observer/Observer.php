<?php

declare(strict_types=1);

namespace Rodrel\Core\Check\Observer;

use Rodrel\Core\Check\Asked;
use Rodrel\Core\Check\Check;
use Rodrel\Core\Check\Probe\Probe;
use Rodrel\Core\Check\Row;
use Rodrel\Core\Check\Subject;
use Rodrel\Core\Check\With;
use Rodrel\Core\Fault\Particle;
use Rodrel\Core\Shape;

/** How one row of a check is read: by which eye, in which words, with which noise. */
abstract readonly class Observer
{
    protected function __construct(
        public Wording $wording,
        public ?Source $source = null,
        public ?Typed $typed = null,
    ) {
    }

    /** The word that the catalogue calls it by. */
    abstract public static function kind(): string;

    abstract public static function fromShape(Shape $shape, Observers $book): self;

    /** @param non-empty-list<float>|null $sign what the fault at this place says to it, where it says anything */
    abstract public function see(Subject $subject, Asked $asked, ?array $sign): Seen;

    /**
     * What a fault says to this row of a check, where it says anything.
     *
     * @return non-empty-list<float>|null
     */
    public function sign(Particle $particle, Subject $subject, Asked $asked, Check $check, Row $row): ?array
    {
        return $particle->place->meets($asked->spot()) ? $particle->fault->signs->of($check->id, $row->id) : null;
    }

    /**
     * Two faults that both say something to it.
     *
     * @param non-empty-list<float> $one
     * @param non-empty-list<float> $other
     *
     * @return non-empty-list<float>
     */
    public function together(array $one, array $other): array
    {
        return $one;
    }

    /** @return non-empty-list<string> */
    final public function words(): array
    {
        return $this->wording->words;
    }

    /** Whether a fault may say what is seen. */
    public function takesSigns(): bool
    {
        return $this->isSign();
    }

    /** How many chances a fault gives to it. */
    public function signWidth(): int
    {
        return \count($this->words());
    }

    /** The defect that a word says is seen in itself; null where it says none. */
    public function sighting(string $word): ?Sighting
    {
        return null;
    }

    /** What only the eye sees, with chances in the catalogue. */
    public function isSign(): bool
    {
        return false;
    }

    /** The word of a part that is as it should be. */
    public function good(): string
    {
        return $this->wording->best();
    }

    /** Whether something ordinary stands behind a word, and no fault has to. */
    public function isOrdinary(string $word): bool
    {
        return false;
    }

    /** The number is kelvins over the air, from a typed temperature. */
    final public function isOverAir(): bool
    {
        return null !== $this->typed && 'K' === $this->probe()::unit();
    }

    final public function with(): With
    {
        return $this->source->with ?? new With();
    }

    final protected function probe(): Probe
    {
        return $this->source->probe ?? throw new \LogicException('A checked row of this kind names its probe.');
    }

    /** The probe's number, never below the row's floor. */
    final protected function value(Subject $subject, Asked $asked): float
    {
        return max($this->wording->floor, $this->probe()->read($subject, $asked));
    }
}
