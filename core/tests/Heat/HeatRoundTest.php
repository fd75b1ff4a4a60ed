<?php

declare(strict_types=1);

namespace Rodrel\Core\Tests\Heat;

use PHPUnit\Framework\TestCase;
use Rodrel\Core\Heat\HeatRound;
use Rodrel\Core\Heat\ThermalWheel;
use Rodrel\Core\Heat\TooLate;
use Rodrel\Core\Tests\World;
use Rodrel\Core\Vocabulary\Corner;

/** The heat round, worked by hand. */
final class HeatRoundTest extends TestCase
{
    /**
     * A rotor 120 K over the air read 4 minutes after the stop: 120·e^(240/960) = 154.08 K. A caliper takes 0.35 of it
     * and is not corrected.
     */
    public function testEachPlaceIsBroughtToTheMomentOfStopping(): void
    {
        self::assertEqualsWithDelta(154.083, HeatRound::atStop(120.0, 'rotor', 240.0), 0.001);
        self::assertEqualsWithDelta(100.0, HeatRound::atStop(35.0, 'caliper', 240.0), 1e-9);
        self::assertEqualsWithDelta(100.0, HeatRound::atStop(20.0, 'wheel-centre', 359.0), 1e-9);
        $this->expectException(TooLate::class);
        HeatRound::atStop(10.0, 'rim', 361.0);
    }

    /**
     * The first wheel again: 100 K after 30 s and 90 K after 150 s is τ = 120/ln(100/90) = 1138.9 s; a wheel that
     * warms says nothing.
     */
    public function testTheFirstWheelAgainShowsTheRealCooling(): void
    {
        self::assertEqualsWithDelta(1138.946, HeatRound::cooling(100.0, 30.0, 90.0, 150.0), 0.01);
        self::assertNull(HeatRound::cooling(90.0, 30.0, 100.0, 150.0));
        self::assertNull(HeatRound::cooling(100.0, 30.0, 99.9, 60.0), 'slower than any rotor cools');
    }

    /**
     * Small drag by hand: on the coast loop (360 s at 13.89 m/s, R 0.30 m) a front rotor of 6 kg loses
     * (2.0 + 0.28·13.89)·ΔT = 5.889·ΔT plus radiation, near 15 °C 4·0.10·5.67e-8·288.15³·ΔT = 0.543·ΔT, together 6.43
     * W/K.
     * m·c = 2760 J/K, so τ = 429 s and after 360 s 1 − e^(−360/429) = 0.568 of the steady state. 10 N·m more is
     * 463 W, steady 72.0 K, after the loop 40.9 K over what is expected (a little less: radiation grows with heat).
     */
    public function testKelvinsBecomeNewtonMetres(): void
    {
        $drive = World::catalogue()->checks->drives['loop-a'];
        $expected = ['lf' => 10.0, 'rf' => 10.0, 'lr' => 7.0, 'rr' => 7.0];
        $round = HeatRound::of(World::handbook(), $drive, ['lf' => 50.9] + $expected, $expected, 15.0);
        self::assertEqualsWithDelta(10.0, $round->wheels['lf']['drag_nm'], 0.6);
        self::assertEqualsWithDelta(
            ($round->wheels['lf']['drag_nm'] * 13.889) / 0.3,
            $round->wheels['lf']['watts'],
            1.0,
        );
        self::assertSame(0.0, $round->wheels['rf']['drag_nm']);
        self::assertSame('lf', $round->axles['front']['hotter']);
        self::assertNull($round->axles['front']['cold'], 'coasting, only drag makes heat');
        self::assertNull($round->axles['rear']['hotter']);
        self::assertEqualsWithDelta(40.9, $round->axles['front']['apart_k'], 1e-9);
    }

    /**
     * Motorway, one stop at the end: ½·1350·30.556² = 630.2 kJ, of which a front wheel takes 1223/3166: 243.4 kJ in
     * 6·460 J/K is 88.2 K, all of it there since the stop is the last thing. Without drag nothing else heats it.
     * Twenty-four stops down a hill from 40 km/h bring 24·83.3 kJ·0.3863/2760 = 280 K in eight minutes, less what is
     * lost on the way.
     */
    public function testEveryDriveBringsItsOwnHeat(): void
    {
        $drives = World::catalogue()->checks->drives;
        $heat = static fn (string $id): float => ThermalWheel::of(
            World::handbook()->brake(Corner::LeftFront),
        )->afterDrive(
            $drives[$id],
            static fn (): float => 0.0,
            ($drives[$id]->stopJoule(1350.0) * 1223.0) / 3166.0,
            0.3,
            15.0,
        );
        self::assertEqualsWithDelta(88.2, $heat('motorway-one-stop'), 0.2);
        self::assertGreaterThan(100.0, $heat('hill-descent'));
        self::assertLessThan(280.0, $heat('hill-descent'));
        self::assertGreaterThan($heat('town'), $heat('hill-descent'));
    }

    /** After stops: the left is where it should be, the right far below: the cold wheel may be the faulty one. */
    public function testTheColdWheelMayBeTheFaultyOne(): void
    {
        $drive = World::catalogue()->checks->drives['loop-b'];
        $expected = ['lf' => 90.0, 'rf' => 90.0, 'lr' => 60.0, 'rr' => 60.0];
        $round = HeatRound::of(World::handbook(), $drive, ['rf' => 30.0] + $expected, $expected, 15.0);
        self::assertSame('lf', $round->axles['front']['hotter']);
        self::assertSame('rf', $round->axles['front']['cold']);
        $hot = HeatRound::of(World::handbook(), $drive, ['lf' => 240.0] + $expected, $expected, 15.0);
        self::assertNull($hot->axles['front']['cold'], 'here the hot one is far over what it should be');
    }

    /** What was carried back to the stop is carried forward again: the raw reading, at every place. */
    public function testTheRawReadingComesBack(): void
    {
        foreach (['rotor' => 600.0, 'caliper' => 300.0, 'wheel-centre' => 0.0, 'rim' => 360.0] as $place => $since) {
            self::assertEqualsWithDelta(
                43.0,
                HeatRound::rawOf(HeatRound::atStop(43.0, $place, $since, 700.0), $place, $since, 700.0),
                1e-9,
                $place,
            );
        }
        // e^(−480/960) of 100
        self::assertEqualsWithDelta(60.653, HeatRound::rawOf(100.0, 'rotor', 480.0), 1e-3);
    }

    /** A time constant from 240 to 3600 s is a rotor's; under two kelvins, or without time between, nothing is said. */
    public function testWhatTwoReadingsOfAWheelMustBe(): void
    {
        $after = static fn (float $tau, float $from = 100.0): ?float => HeatRound::cooling(
            $from,
            60.0,
            $from * exp(-300.0 / $tau),
            360.0,
        );
        self::assertNull($after(239.0));
        self::assertEqualsWithDelta(241.0, (float) $after(241.0), 1e-6);
        self::assertEqualsWithDelta(3599.0, (float) $after(3599.0), 1e-5);
        self::assertNull($after(3601.0));
        self::assertNull(HeatRound::cooling(2.0, 60.0, 1.5, 360.0));
        self::assertNull(HeatRound::cooling(3.0, 60.0, 2.0, 360.0));
        self::assertNotNull(HeatRound::cooling(3.0, 60.0, 2.1, 360.0));
        self::assertNull(HeatRound::cooling(3.0, 60.0, 3.0, 360.0));
        self::assertNull(HeatRound::cooling(3.0, 60.0, 2.1, 60.0));
    }

    /** A wheel is named from half as hot again as its partner, and eight kelvins; a drag from two over what is due. */
    public function testFromWhenOnAWheelIsNamed(): void
    {
        $drives = World::catalogue()->checks->drives;
        $round = static fn (array $k, array $due, string $drive = 'loop-a'): HeatRound => HeatRound::of(
            World::handbook(),
            $drives[$drive],
            array_combine(['lf', 'rf', 'lr', 'rr'], $k),
            array_combine(['lf', 'rf', 'lr', 'rr'], $due),
            15.0,
        );
        $ten = [10.0, 10.0, 10.0, 10.0];
        self::assertSame('rf', $round([16.0, 24.0, 7.0, 7.0], $ten)->axles['front']['hotter']);
        self::assertNull($round([20.1, 30.0, 7.0, 7.0], $ten)->axles['front']['hotter'], 'not half as hot again');
        self::assertNull($round([7.0, 7.0, 14.9, 7.0], $ten)->axles['rear']['hotter'], 'less than eight kelvins');
        self::assertSame('lr', $round([7.0, 7.0, 15.1, 7.0], $ten)->axles['rear']['hotter']);
        // the slope of the example above: 40.9 K for 10 N·m, so 2.1 K are half a newton metre
        self::assertEqualsWithDelta(0.51, $round([12.1, 10.0, 10.0, 10.0], $ten)->wheels['lf']['drag_nm'], 0.04);
        self::assertSame(0.0, $round([12.0, 10.0, 10.0, 10.0], $ten)->wheels['lf']['drag_nm']);
        // 60 where 41 were due is less than half as much again; 30 where 46 were due is more than a third too little
        $cold = static fn (array $k, array $due): ?string => $round($k, $due, 'loop-b')->axles['front']['cold'];
        self::assertSame('rf', $cold([60.0, 30.0, 9.0, 9.0], [41.0, 46.0, 9.0, 9.0]));
        self::assertNull($cold([60.0, 30.0, 9.0, 9.0], [40.0, 46.0, 9.0, 9.0]));
        self::assertNull($cold([60.0, 30.0, 9.0, 9.0], [41.0, 45.0, 9.0, 9.0]));
    }
}
