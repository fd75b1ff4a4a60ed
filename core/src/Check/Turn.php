<?php

declare(strict_types=1);

namespace Rodrel\Core\Check;

use Rodrel\Core\Shape;

/** When a check has its turn, and when nobody would make it. */
final readonly class Turn
{
    /** Behind an id in `not_for`: this complaint, and none whose id goes on. */
    public const WHOLE = '=';

    /**
     * @param int|null $first its place in the first look, that comes before everything else
     * @param list<string> $unlessSeen answers, `check/row/word`, with which it has its turn all the same
     * @param list<string> $ifSeen answers, `check/row/word`, without any of which its question has no answer
     * @param string|null $after id of the check that comes first at the same place
     * @param string|null $instead id of the next best check where a tool of this one is missing; null: there is none
     * @param list<string> $notFor kinds of complaint with which nobody makes it: how their ids begin
     */
    private function __construct(
        public ?int $first,
        public array $notFor,
        private array $unlessSeen,
        private array $ifSeen,
        public ?string $after,
        public ?string $instead,
    ) {
    }

    public static function fromShape(Shape $shape): self
    {
        return new self(
            $shape->has('first') ? (int) $shape->positive('first') : null,
            $shape->texts('not_for'),
            $shape->texts('unless_seen'),
            $shape->texts('if_seen'),
            $shape->optionalText('after'),
            $shape->optionalText('instead'),
        );
    }

    /**
     * Whether its question can have an answer: what is wet is asked where something is.
     *
     * @param list<string> $seen answers so far, `check/row/word`
     */
    public function makesSense(array $seen): bool
    {
        return [] === $this->ifSeen || [] !== array_intersect($this->ifSeen, $seen);
    }

    /**
     * Whether anything that is looked into wants it; one complaint that has no use for it does not bar it from another.
     *
     * @param list<string> $troubles ids of complaints, said or found
     * @param list<string> $seen answers so far, `check/row/word`
     */
    public function fits(array $troubles, array $seen): bool
    {
        if ([] === $troubles || [] !== array_intersect($this->unlessSeen, $seen)) {
            return true;
        }

        return [] !== array_filter($troubles, fn (string $one): bool => !$this->isNotFor($one));
    }

    private function isNotFor(string $complaint): bool
    {
        foreach ($this->notFor as $kind) {
            if (str_starts_with($complaint.self::WHOLE, $kind)) {
                return true;
            }
        }

        return false;
    }
}
