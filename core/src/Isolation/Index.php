<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

/** Which of a list of names each particle carries, as numbers: sums over groups and suspects are hot loops. */
final readonly class Index
{
    /**
     * @param list<string> $names distinct, in the order they first come
     * @param list<int> $of index into names, by particle
     * @param array<int, list<int>> $members particles by index of their name
     * @param array<string, int> $index of each name
     */
    private function __construct(
        public array $names,
        public array $of,
        private array $members,
        private array $index,
    ) {
    }

    /** @param list<string> $byParticle */
    public static function of(array $byParticle): self
    {
        $at = $of = $members = [];
        foreach ($byParticle as $i => $name) {
            $at[$name] ??= \count($at);
            $of[] = $at[$name];
            $members[$at[$name]][] = $i;
        }

        return new self(array_keys($at), $of, $members, $at);
    }

    /**
     * @param array<int, float> $weights by particle
     *
     * @return array<string, float> sum by name
     */
    public function sums(array $weights): array
    {
        $sums = array_fill(0, \count($this->names), 0.0);
        foreach ($weights as $i => $weight) {
            $sums[$this->of[$i]] += $weight;
        }

        return array_combine($this->names, $sums);
    }

    /** Index of a name; -1 where nothing carries it. */
    public function at(string $name): int
    {
        return $this->index[$name] ?? -1;
    }

    /** @return list<int> the particles that carry a name; none where nothing does */
    public function members(string $name): array
    {
        return $this->members[$this->at($name)] ?? [];
    }
}
