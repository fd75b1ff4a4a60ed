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

    /** @var array<string, list<CitedReading>> by group, strongest first */
    public array $arguments;
    /** @var array<string, CitedReading> by group: the reading that struck it out */
    public array $struck;
    /** @var array<string, Sway> what each reading did, by its id */
    public array $sways;
    /** @var list<Hinge> readings that the leader hangs on */
    public array $hinges;

    /**
     * @param array<string, float> $groups mass by repair group, heaviest first
     * @param array<string, float> $suspects mass by fault at place, heaviest first
     * @param list<NeedsRepair> $needing what was seen and needs repair, whether or not it made the complaint
     */
    private function __construct(
        public array $groups,
        public array $suspects,
        public float $second,
        private Reasons $reasons,
        public Advice $advice,
        public Margins $margins,
        public array $needing,
    ) {
        $this->arguments = $reasons->arguments;
        $this->struck = $reasons->struck;
        $this->sways = $reasons->sways;
        $this->hinges = $reasons->hinges;
    }

    /** @param list<PartAt> $fitted parts fitted lately */
    public static function of(Belief $belief, Situation $now, Settings $settings, array $fitted): self
    {
        $shown = static fn (float $mass): bool => $mass >= self::SHOWN_FROM;

        return new self(
            array_filter($belief->groups, $shown),
            array_filter($belief->suspects, $shown),
            $belief->second(),
            Reasons::of($belief),
            Advice::of(Verdict::of($belief, $now, $settings)),
            Margins::of($belief, $now, $settings, $fitted),
            NeedsRepair::in($belief),
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
        return [
            'groups' => $this->groups,
            'suspects' => $this->suspects,
            'second' => $this->second,
            'advice' => $this->advice->toArray(),
            'margins' => $this->margins->toArray(),
            'needing' => array_map(static fn (NeedsRepair $one): array => $one->toArray(), $this->needing),
        ] + $this->reasons->toArray();
    }

    /** @param array<array-key, mixed> $data as from toArray() */
    public static function fromArray(array $data, Checks $checks): self
    {
        $shape = new Shape($data, '/judgement');

        return new self(
            $shape->numberMap('groups'),
            $shape->numberMap('suspects'),
            $shape->number('second'),
            Reasons::fromShape($shape),
            Advice::fromShape($shape->in('advice'), $checks),
            Margins::fromShape($shape->in('margins')),
            array_values(array_map(NeedsRepair::fromShape(...), $shape->each('needing'))),
        );
    }
}
