<?php

declare(strict_types=1);

namespace Rodrel\Core\Check;

use Rodrel\Core\Heat\Drive;
use Rodrel\Core\InvalidData;
use Rodrel\Core\Vocabulary\CheckAt;

/**
 * All checks by id, and the drives that some of them judge.
 *
 * @implements \IteratorAggregate<string, Check>
 */
final readonly class Checks implements \IteratorAggregate, \Countable
{
    /**
     * @param array<string, Check> $all
     * @param array<string, Drive> $drives
     */
    public function __construct(public array $all, public array $drives)
    {
    }

    /** @throws InvalidData when there is no such check */
    public function of(CheckAt|string $check): Check
    {
        $id = $check instanceof CheckAt ? $check->id : $check;

        return $this->all[$id] ?? throw InvalidData::at('/check', \sprintf('there is no check "%s"', $id));
    }

    public function has(string $id): bool
    {
        return isset($this->all[$id]);
    }

    /** @return list<Check> those that tell which wheels are held; the plainest first */
    public function tellingHeld(): array
    {
        return array_values(array_filter($this->all, static fn (Check $check): bool => $check->role->held));
    }

    /**
     * What has to be done before a joint may be opened, whatever was signed: it says nothing about the cause.
     *
     * @return list<string> ids
     */
    public function keeping(): array
    {
        $keeping = array_filter(
            $this->all,
            static fn (Check $check): bool => $check->role->discharges || $check->role->cages,
        );

        return array_map(strval(...), array_keys($keeping));
    }

    /** @return \ArrayIterator<string, Check> */
    public function getIterator(): \ArrayIterator
    {
        return new \ArrayIterator($this->all);
    }

    public function count(): int
    {
        return \count($this->all);
    }
}
