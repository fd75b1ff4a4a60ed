<?php

declare(strict_types=1);

namespace Rodrel\Core\Check\Complaint;

use Rodrel\Core\Check\Asked;
use Rodrel\Core\Check\Chance;
use Rodrel\Core\Check\Observer\Source;
use Rodrel\Core\Check\Subject;
use Rodrel\Core\Shape;
use Rodrel\Core\Vocabulary\Corner;
use Rodrel\Core\Vocabulary\Place;

/**
 * How a probe's number is noticed by a driver. `above`: more often than not past a limit, log-normally; `bell`:
 * 1 − exp(−(x/scale)²) of what is over `from`.
 */
final readonly class Noticed
{
    /**
     * @param list<Corner> $wheels the worst of them counts; none for a probe of the whole vehicle
     * @param array<string, float> $curve `limit` and `spread`, or `from` and `scale`
     * @param float $times turns a scale round
     * @param bool $over over what a sound vehicle shows
     * @param float $share of the drivers who would say it
     * @param bool $alone only where the other wheel of the axle does not show it
     */
    private function __construct(
        private ?Source $source,
        private array $wheels,
        private array $curve,
        private float $times,
        private bool $over,
        private float $share,
        private bool $alone,
    ) {
    }

    /** @param list<string> $drives */
    public static function fromShape(Shape $shape, array $drives): self
    {
        $source = Source::fromShape($shape, $drives);
        $wheels = [];
        foreach ($shape->texts('wheels') as $id) {
            $wheels[] = Corner::tryFrom($id)
                ?? $shape->miss('wheels', 'corners are lf, rf, lr, rr', Corner::LeftFront);
        }
        if (null !== $source && $source->probe::atAWheel() === ([] === $wheels)) {
            $shape->miss('wheels', 'wheels are named for a probe that is read at wheels, and only there');
        }
        $curve = 'above' === $shape->choice('curve', ['above', 'bell'])
            ? ['limit' => $shape->positive('limit'), 'spread' => $shape->positive('spread')]
            : ['from' => $shape->number('from', 0.0), 'scale' => $shape->positive('scale')];

        return new self(
            $source,
            $wheels,
            $curve,
            $shape->number('times', 1.0),
            $shape->flag('over_sound'),
            $shape->share('share', 1.0),
            $shape->flag('alone'),
        );
    }

    public function chance(Subject $subject): float
    {
        $value = $this->value($subject);
        if ($this->over) {
            $value /= $subject->sound()->noted($this, $this->value(...));
        }
        $others = 0.0;
        foreach ($this->alone ? $this->wheels : [] as $wheel) {
            $others = max($others, $this->shown($this->at($subject, $wheel->partner())));
        }

        return $this->share * $this->shown($value) * (1.0 - $others);
    }

    private function shown(float $value): float
    {
        if (isset($this->curve['limit'])) {
            return Chance::above($this->curve['limit'], $value, $this->curve['spread']);
        }
        $past = max(0.0, $value - $this->curve['from']);

        return 1.0 - exp(-($past / $this->curve['scale']) ** 2);
    }

    private function value(Subject $subject): float
    {
        $wheels = [] !== $this->wheels ? $this->wheels : [null];

        return max(array_map(fn (?Corner $wheel): float => $this->at($subject, $wheel), $wheels));
    }

    private function at(Subject $subject, ?Corner $wheel): float
    {
        if (null === $this->source) {
            throw new \LogicException('A checked complaint names its probe.');
        }
        $asked = Asked::plainly(Place::vehicle(), $wheel, $this->source->with);

        return $this->times * $this->source->probe->read($subject, $asked);
    }
}
