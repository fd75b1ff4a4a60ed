<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Fault\Particle;
use Rodrel\Core\Vocabulary\Part;
use Rodrel\Core\Vocabulary\PartAt;
use Rodrel\Core\Vocabulary\SuspectAt;

/** What a job's history makes likelier or less likely: parts fitted lately, joints opened, weeks of standing. */
final readonly class Context
{
    /**
     * @param array<string, float> $parts factor by part, or by part at a place
     * @param array<string, float> $suspects factor by fault at a place
     * @param list<PartAt> $fitted parts fitted lately
     */
    private function __construct(private array $parts = [], private array $suspects = [], private array $fitted = [])
    {
    }

    public static function none(): self
    {
        return new self();
    }

    public function withPart(Part|PartAt $part, float $factor): self
    {
        return new self([...$this->parts, (string) $part => $factor], $this->suspects, $this->fitted);
    }

    public function withSuspect(SuspectAt $suspect, float $factor): self
    {
        return new self($this->parts, [...$this->suspects, (string) $suspect => $factor], $this->fitted);
    }

    public function withFitted(PartAt $part): self
    {
        return new self($this->parts, $this->suspects, [...$this->fitted, $part]);
    }

    public function factor(Particle $particle): float
    {
        $odds = $particle->fault->odds;
        $factor = $this->suspects[(string) $particle->suspect] ?? 1.0;
        if (null !== $odds->agesWith) {
            $factor *= $this->parts[$odds->agesWith->id] ?? 1.0;
            $factor *= $this->parts[(string) $odds->agesWith->at($particle->place)] ?? 1.0;
        }
        foreach ($odds->afterFitting as $part => $times) {
            foreach ($this->fitted as $new) {
                if ($new->id === $part && $particle->place->covers($new->place)) {
                    $factor *= $times;
                    break;
                }
            }
        }

        return $factor;
    }
}
