<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

/** Which of a list of names each particle carries, as numbers: sums over groups and suspects are hot loops. */
final readonly class Index
{
    /**
     * @param list<string> $names distinct, in the order they first come
     * @param list<int> $of index into names, by particle
     */
    private function __construct(public array $names, public array $of)
    {
    }

    /** @param list<string> $byParticle */
    public static function of(array $byParticle): self
    {
        $at = $of = [];
        foreach ($byParticle as $name) {
            $at[$name] ??= \count($at);
            $of[] = $at[$name];
        }

        return new self(array_keys($at), $of);
    }

    /**
     * @param array<int, float> $weights by particle
     *
     * @return array<string, float> sum by name, heaviest first
     */
    public function sums(array $weights): array
    {
        $sums = array_fill(0, \count($this->names), 0.0);
        foreach ($weights as $i => $weight) {
            $sums[$this->of[$i]] += $weight;
        }
        $named = array_combine($this->names, $sums);
        arsort($named);

        return $named;
    }

    /** Index of a name; -1 where nothing carries it. */
    public function at(string $name): int
    {
        $at = array_search($name, $this->names, true);

        return \is_int($at) ? $at : -1;
    }
}
