<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Check\Check;
use Rodrel\Core\Check\Checks;
use Rodrel\Core\Shape;
use Rodrel\Core\Vehicle\Lift;
use Rodrel\Core\Vocabulary\CheckAt;
use Rodrel\Core\Vocabulary\Corner;
use Rodrel\Core\Vocabulary\Place;

/** One condition of a gate: a fact about the vehicle, or a reading of this epoch with one of its good words. */
final readonly class GateCondition
{
    /**
     * @param Fact|null $fact null: readings decide
     * @param list<GateReading> $reads the first that was read decides
     * @param bool $byWheel asked of every wheel
     * @param Lift|null $forLift only for checks that need just this lift
     * @param bool $ifRead met as long as nobody has looked
     */
    private function __construct(
        private string $id,
        private ?Fact $fact,
        private array $reads,
        private bool $byWheel,
        private ?Lift $forLift,
        private bool $ifRead,
    ) {
    }

    public static function fromShape(Shape $shape): self
    {
        $reads = array_values(array_map(GateReading::fromShape(...), $shape->each('reads')));
        $fact = $shape->has('fact') ? $shape->oneOf('fact', Fact::class) : null;
        if ((null === $fact) === ([] === $reads)) {
            $shape->miss('', 'either a fact or readings decide a condition');
        }

        return new self(
            $shape->text('id'),
            $fact,
            $reads,
            $shape->flag('each_corner'),
            $shape->has('for_lift') ? $shape->oneOf('for_lift', Lift::class) : null,
            $shape->flag('if_read'),
        );
    }

    public function isByWheel(): bool
    {
        return $this->byWheel;
    }

    /** @return list<string> the keys that it can be unmet by */
    public function keys(Checks $checks): array
    {
        if ($this->byWheel) {
            return array_map(fn (Corner $corner): string => $this->id.'-'.$corner->value, Corner::cases());
        }
        if (Fact::MadeBefore !== $this->fact) {
            return [$this->id];
        }
        $after = array_unique(
            array_filter(
                array_map(static fn (Check $check): ?string => $check->demand->turn->after, $checks->all),
                is_string(...),
            ),
        );

        return array_values(array_map(fn (string $first): string => str_replace('{after}', $first, $this->id), $after));
    }

    /** @return list<GateReading> */
    public function reads(): array
    {
        return $this->reads;
    }

    /** The check that would meet it. */
    public function answer(Asking $asking, ?Check $check): ?CheckAt
    {
        return null === $this->fact ? $asking->reading($this->reads) : $asking->answer($this->fact, $check);
    }

    /** Whether it is brought about on the way to the check. */
    public function isPreparation(): bool
    {
        return true === $this->fact?->isPreparation();
    }

    /**
     * @param Check|null $check what the gate stands before; null for the road itself
     *
     * @return list<array{string, bool}> keys of what is not met, and whether it was seen to be wrong
     */
    public function unmet(Asking $asking, ?Check $check): array
    {
        if (null !== $this->forLift && $check?->demand->lift !== $this->forLift) {
            return [];
        }
        if (null !== $this->fact) {
            return $asking->holds($this->fact, $check)
                ? []
                : [[$asking->keyOf($this->id, $check), $this->fact->isSeen()]];
        }
        $unmet = [];
        $reads = array_filter($this->reads, static fn (GateReading $read): bool => $asking->applies($read->check));
        foreach ([] === $reads ? [] : ($this->byWheel ? Corner::cases() : [null]) as $corner) {
            $word = $good = null;
            foreach ($reads as $read) {
                $seen = $asking->now->outcome(
                    CheckAt::of($read->check, Place::vehicle()),
                    $corner->value ?? $read->row,
                );
                if (null === $word && null !== $seen) {
                    [$word, $good] = [$seen, \in_array($seen, $read->words, true)];
                }
            }
            if (true !== $good && (null !== $word || !$this->ifRead)) {
                $unmet[] = [$this->id.(null === $corner ? '' : '-'.$corner->value), null !== $word];
            }
        }

        return $unmet;
    }
}
