<?php

declare(strict_types=1);

namespace Rodrel\Core\Tests\Trial;

use PHPUnit\Framework\TestCase;
use Rodrel\Core\Fault\Particle;
use Rodrel\Core\Tests\World;
use Rodrel\Core\Trial\Draw;
use Rodrel\Core\Trial\TrueVehicle;
use Rodrel\Core\Vocabulary\CheckAt;

/** The vehicles that the benchmark draws are what it says of them. */
final class DrawTest extends TestCase
{
    private const MANY = 60;

    /** @var list<TrueVehicle> */
    private static array $drawn = [];

    public static function setUpBeforeClass(): void
    {
        for ($seed = 1; $seed <= self::MANY; ++$seed) {
            self::$drawn[] = self::draw()->vehicle($seed, 'medium-car', 1, 0.0);
        }
    }

    public static function tearDownAfterClass(): void
    {
        self::$drawn = [];
    }

    public function testTheSameSeedDrawsTheSame(): void
    {
        $again = self::draw()->vehicle(7, 'medium-car', 1, 0.0);
        self::assertEquals(self::said($again), self::said(self::$drawn[6]));
        self::assertSame(self::$drawn[6]->print(), $again->print());
        self::assertNotSame(self::$drawn[7]->print(), $again->print());
        self::assertSame('medium-car', $again->preset);
    }

    public function testNobodyComesWithoutAComplaint(): void
    {
        foreach (self::$drawn as $vehicle) {
            self::assertNotSame('none', $vehicle->said(CheckAt::parse('complaint@vehicle')));
        }
    }

    /**
     * A severity lies between a value of the grid and half of the way to one beside it, by ratio; with sixty of them
     * most lie off the grid, some above and some below.
     */
    public function testSeveritiesLieBetweenThoseOfTheGrid(): void
    {
        $above = $below = 0;
        foreach (self::$drawn as $vehicle) {
            [$particle] = $vehicle->drawn;
            foreach ($particle->fault->damage->axes as $axis) {
                $is = $particle->severity[$axis->name];
                $near = array_filter($axis->values, static function (float $value) use ($is, $axis): bool {
                    $at = (int) array_search($value, $axis->values, true);
                    $low = $axis->values[max(0, $at - 1)];
                    $high = $axis->values[min(\count($axis->values) - 1, $at + 1)];
                    [$from, $to] = $value > 0.0 && $low > 0.0
                        ? [sqrt($value * $low), sqrt($value * $high)]
                        : [($value + $low) / 2.0, ($value + $high) / 2.0];

                    return $is > min($from, $value) - 1e-12 && $is < max($to, $value) + 1e-12;
                });
                self::assertNotSame([], $near, $particle->suspect.' '.$axis->name.' '.$is);
                $nearest = reset($near);
                $above += (int) ($is > $nearest * (1.0 + 1e-9));
                $below += (int) ($is < $nearest * (1.0 - 1e-9));
            }
            self::assertSame(1.0, $particle->weight);
            self::assertEquals(
                $particle->fault->damage->effectsAt($particle->place, $particle->severity, World::layout())->all(),
                $particle->effects->all(),
            );
        }
        self::assertGreaterThan(10, $above);
        self::assertGreaterThan(10, $below);
    }

    /** No two vehicles have the same pedal, though both are sound there: their own figures are scattered. */
    public function testVehiclesAreScattered(): void
    {
        $travel = static fn (TrueVehicle $vehicle): float => (float) $vehicle->answer(
            CheckAt::parse('pedal@vehicle'),
        )['travel'];
        $pedals = array_map($travel, self::$drawn);
        self::assertCount(self::MANY, array_unique($pedals));
        $logs = array_map(log(...), $pedals);
        sort($logs);
        // of the middle half: clearances and stiffness a tenth, the foot a tenth, reading it a few hundredths
        $spread = ($logs[44] - $logs[15]) / 1.35;
        self::assertGreaterThan(0.02, $spread);
        self::assertLessThan(0.3, $spread);
        self::assertEqualsWithDelta(
            log((float) Trials::vehicle('nothing.wrong')->answer(CheckAt::parse('pedal@vehicle'))['travel']),
            $logs[30],
            0.1,
        );
    }

    /** Four in ten were driven in, one in twenty stood for weeks (rust apart), one tool in ten is missing. */
    public function testHowTheyComeIn(): void
    {
        $driven = $stood = $rusty = 0;
        $missing = $parts = [];
        foreach (self::$drawn as $vehicle) {
            $visit = $vehicle->visit();
            $driven += (int) $visit->arrival->drivenIn;
            $rust = 'standing' === $vehicle->drawn[0]->fault->odds->agesWith?->id;
            $rusty += (int) $rust;
            $stood += (int) (!$rust && $visit->arrival->stood);
            foreach (['scan-tool', 'pressure-gauge', 'line-wrench', 'vacuum-gauge', 'chalk'] as $tool) {
                $missing[] = (int) ([] !== $visit->settings->missingTools([$tool]));
            }
            foreach ($visit->parts as $part) {
                self::assertGreaterThanOrEqual(1, $part->weeks);
                self::assertLessThanOrEqual(8, $part->weeks);
                $parts[] = $part;
            }
            self::assertSame('2026-03-02', $visit->at->format('Y-m-d'));
            self::assertFalse($visit->arrival->hot);
        }
        self::assertEqualsWithDelta(0.4, $driven / self::MANY, 0.19);
        self::assertLessThan(0.2, $stood / (self::MANY - $rusty));
        self::assertEqualsWithDelta(0.1, array_sum($missing) / \count($missing), 0.06);
        self::assertLessThan(self::MANY, \count($parts));
    }

    /** Two faults want two repairs, and a vehicle in order is none of them. */
    public function testTwoFaults(): void
    {
        for ($seed = 1; $seed <= 12; ++$seed) {
            $vehicle = self::draw()->vehicle($seed, 'medium-car', 2, 0.0);
            self::assertCount(2, $vehicle->cures());
            self::assertNotContains('none', array_map(
                static fn (Particle $one): string => $one->fault->cure->repair,
                $vehicle->drawn,
            ));
        }
    }

    private static function draw(): Draw
    {
        $day = new \DateTimeImmutable('2026-03-02 08:00:00');

        return new Draw(World::catalogue(), World::documents(), World::SHOP, $day);
    }

    /** @return array<mixed> */
    private static function said(TrueVehicle $vehicle): array
    {
        return [
            $vehicle->said(CheckAt::parse('complaint@vehicle')),
            $vehicle->answer(CheckAt::parse('pedal@vehicle')),
            $vehicle->drawn[0]->severity,
            (string) $vehicle->drawn[0]->suspect,
        ];
    }
}
