<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Fault\Particle;
use Rodrel\Core\Vocabulary\Corner;
use Rodrel\Core\Vocabulary\Part;
use Rodrel\Core\Vocabulary\PartAt;
use Rodrel\Core\Vocabulary\Place;
use Rodrel\Core\Vocabulary\SuspectAt;

/** What a job's history makes likelier or less likely: parts fitted lately, joints opened, weeks of standing. */
final readonly class Context
{
    /**
     * A part fitted yesterday is so much less likely worn (estimate; 0.2 to 0.6); after two years it is like any other.
     */
    private const RECENT_PART = 0.35;
    private const WORN_IN_WEEKS = 100.0;
    /** What was wrongly fitted shows within weeks (estimate; 10 to 40). */
    private const PROVED_IN_WEEKS = 20.0;
    /** What a measured lining speaks of. */
    private const PADS_WORN = 'pads.worn';
    private const SHOES_WORN = 'shoes.worn';

    /**
     * @param array<string, float> $parts factor by part, or by part at a place
     * @param array<string, float> $suspects factor by fault at a place
     * @param array<string, float> $fitted how new each part fitted lately still is, from 1 down to 0
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

    /**
     * So many millimetres were still to go at a wheel, the last time it was measured: four times as likely worn at half
     * a millimetre, a quarter as likely at five, evenly between (estimate; 2 to 8 times). Of an axle the worst counts.
     */
    public function withLining(Corner $corner, float $leftMm): self
    {
        $factor = 4.0 ** (1.0 - (min(5.0, max(0.5, $leftMm)) - 0.5) / 2.25);
        $pads = SuspectAt::of(self::PADS_WORN, Place::axleOf($corner));
        $worst = max($factor, $this->suspects[(string) $pads] ?? 0.0);

        return $this->withSuspect($pads, $worst)->withSuspect(SuspectAt::of(self::SHOES_WORN, $corner), $factor);
    }

    /**
     * A part fitted so many weeks ago: the newer, the less likely worn, and the likelier wrongly fitted or poorly made.
     */
    public function withFitted(PartAt $part, float $weeks): self
    {
        $worn = 1.0 - (1.0 - self::RECENT_PART) * exp(-max(0.0, $weeks) / self::WORN_IN_WEEKS);
        $new = exp(-max(0.0, $weeks) / self::PROVED_IN_WEEKS);

        return new self(
            [...$this->parts, (string) $part => $worn],
            $this->suspects,
            [...$this->fitted, (string) $part => $new],
        );
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
            foreach ($this->fitted as $fitted => $new) {
                $at = PartAt::parse($fitted);
                if ($at->id === $part && $particle->place->meets($at->place)) {
                    $factor *= 1.0 + ($times - 1.0) * $new;
                    break;
                }
            }
        }

        return $factor;
    }
}
