<?php

declare(strict_types=1);

namespace Rodrel\Core\Vocabulary;

use Rodrel\Core\InvalidData;

/**
 * Where something sits: a corner (`lf`), an axle (`front`, `rear`), a chamber of the master (`primary`), or the
 * `vehicle` as a whole. The only code that knows which place serves which.
 */
final readonly class Place implements \Stringable
{
    public const VEHICLE = 'vehicle';
    public const FRONT = 'front';
    public const REAR = 'rear';

    private function __construct(public string $id)
    {
    }

    /** @throws InvalidData when the id is not a word in kebab-case */
    public static function of(string $id): self
    {
        return 1 === preg_match('/^[a-z]+(-[a-z]+)*$/', $id)
            ? new self($id)
            : throw InvalidData::at('/place', \sprintf('"%s" is not a place', mb_substr($id, 0, 40)));
    }

    public static function vehicle(): self
    {
        return new self(self::VEHICLE);
    }

    public static function at(Corner $corner): self
    {
        return new self($corner->value);
    }

    /** The axle that a corner belongs to. */
    public static function axleOf(Corner $corner): self
    {
        return new self($corner->isFront() ? self::FRONT : self::REAR);
    }

    public function is(string $id): bool
    {
        return $this->id === $id;
    }

    public function isVehicle(): bool
    {
        return self::VEHICLE === $this->id;
    }

    /** The corner, where the place is one. */
    public function corner(): ?Corner
    {
        return Corner::tryFrom($this->id);
    }

    /** @return list<Corner> the wheels it serves: itself, its axle's, all of them, or none for a chamber */
    public function wheels(): array
    {
        return array_values(
            array_filter(Corner::cases(), fn (Corner $corner): bool => $this->covers(self::at($corner))),
        );
    }

    /**
     * What is done or wrong here reaches there: the vehicle reaches everything, an axle's one hose both of its wheels.
     */
    public function covers(self $other): bool
    {
        if ($this->id === $other->id || $this->isVehicle()) {
            return true;
        }
        $corner = $other->corner();

        return null !== $corner && self::axleOf($corner)->id === $this->id;
    }

    /** One of the two covers the other. */
    public function meets(self $other): bool
    {
        return $this->covers($other) || $other->covers($this);
    }

    public function __toString(): string
    {
        return $this->id;
    }
}
