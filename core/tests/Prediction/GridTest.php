<?php

declare(strict_types=1);

namespace Rodrel\Core\Tests\Prediction;

use PHPUnit\Framework\TestCase;
use Rodrel\Core\Check\Subject;
use Rodrel\Core\Fault\Fault;
use Rodrel\Core\Fault\Particle;
use Rodrel\Core\Fault\Particles;
use Rodrel\Core\Fault\Severity;
use Rodrel\Core\Prediction\Prediction;
use Rodrel\Core\Tests\World;
use Rodrel\Core\Vehicle\Layout;

/**
 * A severity between two of the grid is no stranger to its own fault: no check tells it from the nearer of them by more
 * than a few nats. A grid too coarse once took a slow leak for anything but a leak.
 */
final class GridTest extends TestCase
{
    /** What one check may tell a severity halfway from its neighbours by, nats: about thirteen to one. */
    private const NATS = 2.6;
    private const SAMPLE = 14;
    private const SEED = 5;
    /** Nothing lies between two sizes of bore; between a lining that slips and one that grabs lies a sound one. */
    private const APART = ['master.wrong-bore', 'shoes.soaked', 'axle-seal.leaks', 'pads.soaked'];

    public function testASeverityBetweenTwoIsNoStranger(): void
    {
        $layout = World::layout();
        $faults = array_values(array_filter(
            World::catalogue()->faults->all,
            static fn (Fault $fault): bool => [] !== $fault->damage->axes && !\in_array($fault->id, self::APART, true),
        ));
        if (!World::isAsked()) {
            $faults = (new \Random\Randomizer(new \Random\Engine\Mt19937(self::SEED)))->shuffleArray($faults);
            $faults = \array_slice($faults, 0, self::SAMPLE);
        }
        $tried = 0;
        foreach ($faults as $fault) {
            foreach ($this->between($fault, $layout) as $name => [$particle, $grid]) {
                ++$tried;
                foreach ($this->nats($particle, $grid, $layout) as $check => $nats) {
                    self::assertLessThan(self::NATS, $nats, $name.', '.$check);
                }
            }
        }
        self::assertGreaterThan(self::SAMPLE, $tried);
    }

    /** @return iterable<string, array{Particle, list<Particle>}> each with the grid of its fault at its first place */
    private function between(Fault $fault, Layout $layout): iterable
    {
        $all = Particles::ofFault($fault, $layout);
        $place = ($all[0] ?? null)?->place;
        if (null === $place) {
            return;
        }
        $grid = array_values(array_filter($all, static fn (Particle $one): bool => $one->place->is($place->id)));
        $middle = $grid[intdiv(\count($grid), 2)]->severity;
        foreach ($fault->damage->axes as $axis) {
            foreach ($this->halves($axis) as $value) {
                $severity = [$axis->name => $value] + $middle;
                $effects = $fault->damage->effectsAt($place, $severity, $layout);
                yield $fault->id.' '.$axis->name.' '.$value => [
                    new Particle($fault, $place, $severity, 1.0, $effects),
                    $grid,
                ];
            }
        }
    }

    /** @return list<float> halfway by ratio, where there is one */
    private function halves(Severity $axis): array
    {
        $halves = [];
        foreach (\array_slice($axis->values, 1) as $n => $high) {
            $low = $axis->values[$n];
            $halves[] = $low > 0.0 && $high > 0.0 ? sqrt($low * $high) : 0.5 * ($low + $high);
        }

        return $halves;
    }

    /**
     * @param list<Particle> $grid
     *
     * @return array<string, float> by check: information that tells it from the likest of the grid
     */
    private function nats(Particle $particle, array $grid, Layout $layout): array
    {
        $sane = World::subject($layout);
        $shown = $this->shown($particle, $sane, $layout);
        $least = [];
        foreach ($grid as $other) {
            foreach ($this->shown($other, $sane, $layout) as $check => $rows) {
                $nats = 0.0;
                foreach ($rows as $row => $chances) {
                    foreach ($chances as $word => $chance) {
                        $own = $shown[$check][$row][$word];
                        $nats += $own > 1e-6 ? $own * log($own / max(1e-6, $chance)) : 0.0;
                    }
                }
                $least[$check] = min($least[$check] ?? \INF, $nats);
            }
        }

        return $least;
    }

    /** @var array<string, array<string, array<string, list<float>>>> */
    private array $seen = [];

    /** @return array<string, array<string, list<float>>> chance of each word by check and row */
    private function shown(Particle $particle, Subject $sane, Layout $layout): array
    {
        $key = $particle->suspect.' '.json_encode($particle->severity);
        if (!isset($this->seen[$key])) {
            $subject = $sane->with($particle->effects);
            foreach (World::catalogue()->checks as $check) {
                foreach ($check->role->proof ? [] : $check->places->in($layout) as $place) {
                    foreach ($check->rows as $row) {
                        $chances = Prediction::see([$particle], $subject, $check, $place, $row)->chances;
                        $this->seen[$key][(string) $check->at($place)][$row->id]
                            = $row->observer->wording->withBlunder($chances);
                    }
                }
            }
        }

        return $this->seen[$key] ?? [];
    }
}
