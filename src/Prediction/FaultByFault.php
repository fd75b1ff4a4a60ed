<?php

declare(strict_types=1);

namespace App\Prediction;

use Rodrel\Core\Fault\Fault;
use Rodrel\Core\Prediction\FaultParts;
use Rodrel\Core\Prediction\FaultSignature;
use Rodrel\Core\Prediction\Prediction;

/**
 * Predicts faults on two cores, those with most severities first, so that both are done at about the same time. Of few
 * faults each is shared out in parts; of many each stays whole, since what its severities have in common is simulated
 * once.
 */
final readonly class FaultByFault
{
    /** So many keep two processes busy without being shared out. */
    private const MANY = 8;

    public function __construct(private Prediction $prediction)
    {
    }

    /**
     * @param list<Fault> $faults
     * @param \Closure(int, FaultSignature, int): void $done number of the fault, what it shows, and how many are begun
     */
    public function run(array $faults, \Closure $done): void
    {
        $most = \count($faults) < self::MANY ? 2 : 1;
        $parts = array_map(fn (Fault $fault): FaultParts => $this->prediction->parts($fault, $most), $faults);
        uasort($parts, static fn (FaultParts $a, FaultParts $b): int => $b->size() <=> $a->size());
        $tasks = $whose = $there = [];
        foreach (array_keys($parts) as $n) {
            for ($part = 0; $part < $parts[$n]->count; ++$part) {
                $whose[] = [$n, $part];
                $tasks[] = fn (): array => $this->prediction->part($parts[$n], $part)->toArray();
            }
        }
        $place = array_flip(array_keys($parts));
        SideBySide::run(
            $tasks,
            static function (int $task, array $data, int $begun) use (&$there, $whose, $parts, $place, $done): void {
                [$n, $part] = $whose[$task];
                $there[$n][$part] = FaultSignature::fromArray($data);
                if (\count($there[$n]) === $parts[$n]->count) {
                    ksort($there[$n]);
                    $done($n, $parts[$n]->joined(array_values($there[$n])), $place[$whose[$begun - 1][0]] + 1);
                    unset($there[$n]);
                }
            },
        );
    }
}
