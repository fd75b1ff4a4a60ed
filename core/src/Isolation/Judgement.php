<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Check\Checks;
use Rodrel\Core\Shape;
use Rodrel\Core\Vocabulary\GroupAt;
use Rodrel\Core\Vocabulary\PartAt;

/**
 * All that a page says of a job's belief: masses, the next check and its fork, what spoke for and against. Computed
 * once
 * per log and kept, since it is small and what it was computed from is not.
 */
final readonly class Judgement
{
    /** Suspects lighter than this are not shown anywhere. */
    private const SHOWN_FROM = 1e-5;
    private const EXPLAINED_GROUPS = 5;

    /**
     * @param array<string, float> $groups mass by repair group, heaviest first
     * @param array<string, float> $suspects mass by fault at place, heaviest first
     * @param array<string, list<Spoken>> $arguments by group, strongest first
     * @param array<string, Spoken> $struck by group: the reading that struck it out
     * @param array<string, Sway> $sways what each reading did, by its id
     * @param list<Hinge> $hinges readings that the leader hangs on
     */
    private function __construct(
        public array $groups,
        public array $suspects,
        public float $second,
        public array $arguments,
        public array $struck,
        public Advice $advice,
        public Margins $margins,
        public array $sways,
        public array $hinges,
    ) {
    }

    /** @param list<PartAt> $fitted parts fitted lately */
    public static function of(Belief $belief, Situation $now, Settings $settings, array $fitted): self
    {
        $shown = static fn (float $mass): bool => $mass >= self::SHOWN_FROM;
        $arguments = [];
        foreach (\array_slice(array_keys($belief->groups), 0, self::EXPLAINED_GROUPS) as $group) {
            $arguments[$group] = array_map(Spoken::of(...), Explanation::of($belief, GroupAt::parse($group)));
        }
        $struck = array_map(
            static fn (Reading $reading): Spoken => new Spoken($reading->id, $reading->check, $reading->outcomes),
            Explanation::struckOut($belief),
        );

        $sways = [];
        foreach ($belief->readings as $n => $reading) {
            $sways[$reading->id] = Sway::of($belief, $n);
        }

        return new self(
            array_filter($belief->groups, $shown),
            array_filter($belief->suspects, $shown),
            $belief->second(),
            $arguments,
            $struck,
            Advice::of(Verdict::of($belief, $now, $settings)),
            Margins::of($belief, $now, $settings, $fitted),
            $sways,
            Hinge::in($belief),
        );
    }

    /** The leading repair group. */
    public function leader(): GroupAt
    {
        return GroupAt::parse((string) array_key_first($this->groups));
    }

    public function group(GroupAt|string $group): float
    {
        return $this->groups[(string) $group] ?? 0.0;
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        $written = static fn (Spoken $one): array => $one->toArray();

        return [
            'groups' => $this->groups,
            'suspects' => $this->suspects,
            'second' => $this->second,
            'arguments' => array_map(
                static fn (array $spoken): array => array_map($written, $spoken),
                $this->arguments,
            ),
            'struck' => array_map($written, $this->struck),
            'advice' => $this->advice->toArray(),
            'margins' => $this->margins->toArray(),
            'sways' => array_map(static fn (Sway $one): array => $one->toArray(), $this->sways),
            'hinges' => array_map(static fn (Hinge $one): array => $one->toArray(), $this->hinges),
        ];
    }

    /** @param array<array-key, mixed> $data as from toArray() */
    public static function fromArray(array $data, Checks $checks): self
    {
        $shape = new Shape($data, '/judgement');
        $read = static fn (Shape $list, string $key): array => array_map(Spoken::fromShape(...), $list->each($key));
        $arguments = [];
        foreach ($shape->in('arguments')->keys() as $group) {
            $arguments[$group] = array_values($read($shape->in('arguments'), $group));
        }

        return new self(
            $shape->numberMap('groups'),
            $shape->numberMap('suspects'),
            $shape->number('second'),
            $arguments,
            $read($shape, 'struck'),
            Advice::fromShape($shape->in('advice'), $checks),
            Margins::fromShape($shape->in('margins')),
            array_map(Sway::fromShape(...), $shape->each('sways')),
            array_values(array_map(Hinge::fromShape(...), $shape->each('hinges'))),
        );
    }
}
