<?php

declare(strict_types=1);

namespace App\Bench;

use App\Job\LoadedJob;
use App\Text\Say;
use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Isolation\Gate;
use Rodrel\Core\Vocabulary\ApartAt;
use Rodrel\Core\Vocabulary\CheckAt;

/** What stands before a check, or before a round of them, with what opens it. */
final readonly class GateView
{
    public function __construct(private Catalogue $catalogue, private Say $say)
    {
    }

    /** @return list<Gate> */
    public function closedFor(LoadedJob $loaded, CheckAt $at): array
    {
        $check = $this->catalogue->checks->of($at);

        return $this->catalogue->gates->closedFor(
            $check,
            $at->place,
            $loaded->state->situation,
            $this->catalogue->checks,
        );
    }

    /**
     * Before all of them, each once.
     *
     * @return list<array<string, mixed>>
     */
    public function before(LoadedJob $loaded, CheckAt ...$checks): array
    {
        $shown = [];
        foreach ($checks as $at) {
            foreach ($this->closedFor($loaded, $at) as $gate) {
                foreach ($this->of($gate, $loaded) as $one) {
                    $shown[$one['answer'] ?? $one['key']] ??= $one;
                }
            }
        }

        return array_values($shown);
    }

    /**
     * What one check would meet stands together.
     *
     * @return list<array{
     *     key: string, said: list<string>, apart: list<array{what: string, name: string}>, overridable: bool,
     *     gate: string, answer: string|null, answerName: string|null
     * }>
     */
    public function of(Gate $gate, LoadedJob $loaded): array
    {
        $shown = [];
        foreach ($gate->unmet as $unmet) {
            $answer = $gate->answers[$unmet] ?? null;
            $shown[(string) ($answer ?? $unmet)] ??= [
                'key' => $unmet,
                'said' => [],
                'apart' => 'together' === $unmet ? $this->apart($loaded) : [],
                'overridable' => $gate->overridable,
                'gate' => $gate->id,
                'answer' => null === $answer ? null : (string) $answer,
                'answerName' => null === $answer ? null : $this->say->check($answer),
            ];
            $shown[(string) ($answer ?? $unmet)]['said'][] = $this->say->ui('gate.'.$unmet);
        }

        return array_values($shown);
    }

    /** @return list<array{what: string, name: string}> */
    private function apart(LoadedJob $loaded): array
    {
        return array_map(
            fn (string $what): array => ['what' => $what, 'name' => $this->say->apart(ApartAt::parse($what))],
            array_keys($loaded->state->situation->car->apart),
        );
    }
}
