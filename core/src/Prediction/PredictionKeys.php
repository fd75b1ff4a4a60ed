<?php

declare(strict_types=1);

namespace Rodrel\Core\Prediction;

use Rodrel\Core\Check\Check;
use Rodrel\Core\Check\Checks;
use Rodrel\Core\Check\Complaint\Complaints;
use Rodrel\Core\Fault\Fault;
use Rodrel\Core\Fault\Faults;
use Rodrel\Core\Vehicle\Layout;
use Rodrel\Core\Vocabulary\SuspectAt;

/**
 * The identity of what is predicted: layout, the sources that compute, what a fault changes and shows, and what the
 * checks do and read. Texts, prices and steps are not in it; nothing is bumped by hand.
 */
final readonly class PredictionKeys
{
    private string $common;

    /** @param string $sources hash of every source file that takes part in computing, without its comments */
    public function __construct(private Faults $faults, Checks $checks, Complaints $complaints, string $sources)
    {
        $procedures = array_map(
            static fn (Check $check): array => [
                $check->id,
                $check->places,
                $check->manner->footN,
                $check->manner->holdS,
                $check->rows,
            ],
            $checks->all,
        );
        $this->common = hash('sha256', serialize([$sources, $procedures, $checks->drives, $complaints]));
    }

    /** Of everything that is predicted for a layout. */
    public function all(Layout $layout): string
    {
        return $this->hash([
            $this->sound($layout),
            ...array_map(fn (Fault $fault): string => $this->fault($layout, $fault), array_values($this->faults->all)),
        ]);
    }

    /** Of what a sound vehicle shows. */
    public function sound(Layout $layout): string
    {
        return $this->hash([$this->common, $layout]);
    }

    public function fault(Layout $layout, Fault $fault): string
    {
        return $this->hash([$this->common, $layout, $fault->id, $fault->places, $fault->damage, $fault->signs]);
    }

    public function pair(Layout $layout, SuspectAt $one, SuspectAt $other): string
    {
        return $this->hash([
            $this->fault($layout, $this->faults->of($one)),
            $this->fault($layout, $this->faults->of($other)),
            (string) $one,
            (string) $other,
        ]);
    }

    /** @param array<array-key, mixed> $parts */
    private function hash(array $parts): string
    {
        return hash('sha256', serialize($parts));
    }
}
