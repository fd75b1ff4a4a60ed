<?php

declare(strict_types=1);

namespace App\Prediction;

use Rodrel\Core\Fault\Fault;
use Rodrel\Core\Prediction\FaultSignature;
use Rodrel\Core\Prediction\Prediction;

/** Predicts faults on two cores; one with many severities in parts, so that it keeps both of them busy by itself. */
final readonly class FaultByFault
{
    public function __construct(private Prediction $prediction)
    {
    }

    /**
     * @param list<Fault> $faults
     * @param \Closure(int, FaultSignature, int): void $done number of the fault, what it shows, and how many are begun
     */
    public function run(array $faults, \Closure $done): void
    {
        $tasks = $whose = $inParts = [];
        foreach ($faults as $n => $fault) {
            $inParts[$n] = $this->prediction->parts($fault);
            for ($part = 0; $part < $inParts[$n]->count; ++$part) {
                $whose[] = [$n, $part];
                $tasks[] = fn (): array => $this->prediction->part($inParts[$n], $part)->toArray();
            }
        }
        $there = [];
        SideBySide::run(
            $tasks,
            static function (int $task, array $data, int $begun) use (&$there, $whose, $inParts, $done): void {
                [$n, $part] = $whose[$task];
                $there[$n][$part] = FaultSignature::fromArray($data);
                if (\count($there[$n]) === $inParts[$n]->count) {
                    ksort($there[$n]);
                    $done($n, $inParts[$n]->joined(array_values($there[$n])), $whose[$begun - 1][0] + 1);
                    unset($there[$n]);
                }
            },
        );
    }
}
