<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Shape;
use Rodrel\Core\Vocabulary\GroupAt;

/** Why it is believed: what spoke for and against, what each reading did, and on which of them it hangs. */
final readonly class Reasons
{
    private const EXPLAINED_GROUPS = 5;

    /**
     * @param array<string, list<CitedReading>> $arguments by group, strongest first
     * @param array<string, CitedReading> $struck by group: the reading that struck it out
     * @param array<string, Sway> $sways what each reading did, by its id
     * @param list<Hinge> $hinges readings that the leader hangs on
     */
    private function __construct(
        public array $arguments,
        public array $struck,
        public array $sways,
        public array $hinges,
    ) {
    }

    public static function of(Belief $belief): self
    {
        $arguments = $sways = [];
        foreach (\array_slice(array_keys($belief->groups), 0, self::EXPLAINED_GROUPS) as $group) {
            $arguments[$group] = array_map(CitedReading::of(...), Explanation::of($belief, GroupAt::parse($group)));
        }
        foreach ($belief->readings as $n => $reading) {
            $sways[$reading->id] = Sway::of($belief, $n);
        }

        return new self(
            $arguments,
            array_map(
                static fn (Reading $one): CitedReading => new CitedReading($one->id, $one->check, $one->outcomes),
                Explanation::struckOut($belief),
            ),
            $sways,
            Hinge::in($belief),
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        $written = static fn (CitedReading $one): array => $one->toArray();

        return [
            'arguments' => array_map(
                static fn (array $spoken): array => array_map($written, $spoken),
                $this->arguments,
            ),
            'struck' => array_map($written, $this->struck),
            'sways' => array_map(static fn (Sway $one): array => $one->toArray(), $this->sways),
            'hinges' => array_map(static fn (Hinge $one): array => $one->toArray(), $this->hinges),
        ];
    }

    public static function fromShape(Shape $shape): self
    {
        $read = static fn (Shape $list, string $key): array => array_map(
            CitedReading::fromShape(...),
            $list->each($key),
        );
        $arguments = [];
        foreach ($shape->in('arguments')->keys() as $group) {
            $arguments[$group] = array_values($read($shape->in('arguments'), $group));
        }

        return new self(
            $arguments,
            $read($shape, 'struck'),
            array_map(Sway::fromShape(...), $shape->each('sways')),
            array_values(array_map(Hinge::fromShape(...), $shape->each('hinges'))),
        );
    }
}
