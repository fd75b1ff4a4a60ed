<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Shape;

/** What one complaint calls for, and how often it means nothing. */
final readonly class ComplaintRoute
{
    /** @var list<string> ids of checks without which nobody lets such a vehicle go */
    public array $own;
    /** @var list<string> how it is tried under its own conditions */
    public array $tried;
    /** @var list<string> what splits what is left */
    public array $more;
    /** What is tried and noted where it comes and goes: id of its texts; '' for none. */
    public string $card;
    private bool $serious;
    /** @var list<string> patterns with which it is serious */
    private array $seriousIf;
    private float $sound;
    /** @var array<string, float> the same with a pattern */
    private array $soundIf;
    private ?float $stood;
    private ?float $drivenIn;

    private function __construct(Shape $shape)
    {
        $this->own = $shape->texts('own');
        $this->tried = $shape->texts('tried');
        $this->more = $shape->texts('more');
        $this->card = $shape->text('card', '');
        $this->serious = $shape->flag('serious');
        $this->seriousIf = $shape->in('serious_if')->texts('pattern');
        $this->sound = $shape->share('sound');
        [$low, $high] = [...$shape->numbers('range'), 0.0, 0.0];
        if ($low >= $high || $this->sound < $low || $this->sound > $high) {
            $shape->miss('range', 'the lowest and the highest plausible share are expected, with `sound` between');
        }
        $if = $shape->in('sound_if');
        $this->soundIf = $if->numberMap('pattern');
        $this->stood = $if->optionalNumber('stood');
        $this->drivenIn = $if->optionalNumber('driven_in');
    }

    public static function fromShape(Shape $shape): self
    {
        return new self($shape);
    }

    /** @param bool $stood the vehicle stood for weeks: then it is what standing does */
    public function isSerious(string $pattern, bool $stood): bool
    {
        return $this->serious || (!$stood && \in_array($pattern, $this->seriousIf, true));
    }

    /** Chance that nothing is wrong, or that it is not the brakes. */
    public function sound(string $pattern, bool $stood, bool $drivenIn): float
    {
        return match (true) {
            $stood && null !== $this->stood => $this->stood,
            isset($this->soundIf[$pattern]) => $this->soundIf[$pattern],
            $drivenIn && null !== $this->drivenIn => $this->drivenIn,
            default => $this->sound,
        };
    }
}
