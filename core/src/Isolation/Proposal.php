<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Check\Check;
use Rodrel\Core\Check\Checks;
use Rodrel\Core\Shape;
use Rodrel\Core\Vocabulary\CheckAt;

/** A check that could be made now: what it would teach, what it costs, what stands before it. */
final readonly class Proposal
{
    /** What is expected to move less of the belief is not made: its suspects hold no 3 % together (share; handbook). */
    private const MOVES = 0.02;

    /**
     * @param list<Gate> $gates closed ones
     * @param list<Branch> $fork likeliest first; worked out for what is shown
     * @param list<string> $rows those that are still open
     */
    public function __construct(
        public Check $check,
        public CheckAt $at,
        public Worth $worth,
        public array $gates,
        public array $fork = [],
        public array $rows = [],
    ) {
    }

    public function scored(float $score): self
    {
        $worth = new Worth(
            $this->worth->bits,
            $this->worth->savingCents,
            $this->worth->minutes,
            $score,
            $this->worth->wayMinutes,
            $this->worth->aloneCents,
            $this->worth->moved,
        );

        return new self($this->check, $this->at, $worth, $this->gates, $this->fork, $this->rows);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'at' => (string) $this->at,
            'fork' => array_map(static fn (Branch $branch): array => get_object_vars($branch), $this->fork),
            'worth' => get_object_vars($this->worth),
            'gates' => array_map(static fn (Gate $gate): array => $gate->toArray(), $this->gates),
            'rows' => $this->rows,
        ];
    }

    public static function fromShape(Shape $shape, Checks $checks): self
    {
        $at = CheckAt::parse($shape->text('at'));
        $worth = $shape->in('worth');

        return new self(
            $checks->of($at),
            $at,
            new Worth(
                $worth->number('bits'),
                $worth->number('savingCents'),
                $worth->number('minutes'),
                $worth->number('score'),
                $worth->number('wayMinutes'),
                $worth->number('aloneCents'),
                $worth->number('moved', 0.0),
            ),
            array_values(array_map(Gate::fromShape(...), $shape->each('gates'))),
            array_values(array_map(Branch::fromShape(...), $shape->each('fork'))),
            $shape->texts('rows'),
        );
    }

    /** The same, with what each answer would leave. */
    public function forked(Answers $answers): self
    {
        return new self($this->check, $this->at, $this->worth, $this->gates, $answers->fork($this), $this->rows);
    }

    /**
     * Whether it can be made now, or after lifting and cooling alone.
     *
     * @param bool $wider also where everything is put together and let down again for it
     */
    public function isPossible(bool $wider = false): bool
    {
        $waits = static fn (Gate $gate): bool => $gate->waits && !($wider && $gate->isPrepared());

        return [] === array_filter($this->gates, $waits);
    }

    /** @return list<string> tools that the shop does not have, where they alone stand before it; else none */
    public function lacks(): array
    {
        $tools = [];
        foreach ($this->gates as $gate) {
            if ($gate->waits && Gate::TOOLS !== $gate->id) {
                return [];
            }
            array_push($tools, ...(Gate::TOOLS === $gate->id ? $gate->tools() : []));
        }

        return $tools;
    }

    /** The one check that it waits for; null where that is none, or more. */
    public function waitsFor(): ?CheckAt
    {
        $closed = array_values(array_filter($this->gates, static fn (Gate $gate): bool => $gate->waits));

        return 1 === \count($closed) ? $closed[0]->opener() : null;
    }

    /**
     * Which repairs its answers would lead to: more than one, and it decides between them.
     *
     * @return list<string> groups, the likeliest first; none where its fork was not worked out
     */
    public function decides(): array
    {
        $leads = [];
        foreach ($this->fork as $branch) {
            $leader = $branch->leaders[0][0] ?? null;
            if (null !== $leader && $branch->chance >= self::MOVES) {
                $leads[$leader] = ($leads[$leader] ?? 0.0) + $branch->chance;
            }
        }
        arsort($leads);

        return array_map(strval(...), array_keys($leads));
    }

    /** Whether it could tell apart suspects that matter together. */
    public function tellsEnough(): bool
    {
        return $this->worth->score > 0.0 && $this->worth->moved >= self::MOVES;
    }

    /** Where the technician stands for it, and how the vehicle does. */
    public function spot(): string
    {
        return implode(' ', [$this->check->station, $this->check->demand->lift->value, $this->at->place->id]);
    }

    /** Whether it is worth making while one is at its spot: it opens nothing. */
    public function isWorthItThere(): bool
    {
        return $this->worth->aloneCents > 0.0 && null === $this->check->demand->wake->opens && $this->isPossible();
    }
}
