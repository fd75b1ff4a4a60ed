<?php

declare(strict_types=1);

namespace App\Finding;

use App\Job\InvalidInput;
use App\Job\Job;
use App\Job\ReadJob;
use App\Text\Say;
use Rodrel\Core\Catalogue;
use Rodrel\Core\Isolation\Argument;
use Rodrel\Core\Isolation\Explanation;
use Rodrel\Core\Isolation\Reading;

/** What a signature freezes: the sentence, the belief, the readings and their weights, with hashes. */
final readonly class SignedFinding
{
    public function __construct(private ReadJob $readJob, private Catalogue $catalogue, private Say $say)
    {
    }

    /**
     * @param string $against why the technician signs something else than the leading group, may be empty
     *
     * @return array<string, mixed>
     *
     * @throws InvalidInput
     */
    public function payload(Job $job, string $group, string $against): array
    {
        $state = ($this->readJob)($job)->state;
        $belief = $state->belief ?? throw InvalidInput::because('gate.predictions-first');
        if (!isset($belief->groups[$group])) {
            throw InvalidInput::because('input.group');
        }
        $leader = $belief->leader();
        if (null !== $leader && $leader[0] !== $group && '' === trim($against)) {
            throw InvalidInput::because('input.against', ['leader' => $this->say->group($leader[0])]);
        }

        if ('' === trim($against) && null !== $state->verdict()?->contradiction) {
            throw InvalidInput::because('input.contradiction');
        }

        return [
            'group' => $group,
            'sentence' => $this->say->finding($group, $belief->leadingSuspect($group)),
            'mass' => round($belief->group($group), 4),
            'second' => round($belief->second, 4),
            'readings' => array_map(static fn (Reading $r): string => explode('#', $r->id)[0], $belief->readings),
            'arguments' => array_map(fn (Argument $a): array => ['check' => $a->reading->check, 'said' => $this->say->check($a->reading->check).': '.$this->say->outcome($a->reading->check, $a->reading->outcomes), 'ratio' => round($a->ratio, 3), 'weight' => $a->weight->value], Explanation::of($belief, $group)),
            'against' => trim($against),
            'catalogue' => $this->catalogue->hash,
            'signature' => $belief->field->signature->key,
        ];
    }
}
