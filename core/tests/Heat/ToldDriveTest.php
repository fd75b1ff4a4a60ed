<?php

declare(strict_types=1);

namespace Rodrel\Core\Tests\Heat;

use PHPUnit\Framework\TestCase;
use Rodrel\Core\Heat\Drive;
use Rodrel\Core\Heat\ToldDrive;
use Rodrel\Core\Tests\World;
use Rodrel\Core\Vocabulary\Corner;

/** What a driver tells of the drive behind four temperatures. */
final class ToldDriveTest extends TestCase
{
    /** The same drive again changes nothing; fewer stops are cooler, more of them hotter, in proportion. */
    public function testAnotherDriveThanTheCatalogues(): void
    {
        $town = World::catalogue()->checks->drives['town'];
        self::assertEqualsWithDelta(1.0, $this->factor($town, '12', '45', '12'), 0.01);
        $none = $this->factor($town, '12', '45', '0');
        $half = $this->factor($town, '12', '45', '6');
        $twice = $this->factor($town, '12', '45', '24');
        self::assertLessThan($half, $none);
        self::assertLessThan(1.0, $half);
        self::assertGreaterThan(1.0, $twice);
        // what the stops make is in proportion to their number where the drive and its cooling are the same
        self::assertEqualsWithDelta(2.0, ($twice - $none) / (1.0 - $none), 0.15);
    }

    /** One stop within half a minute, nothing cooled yet: twice the speed is four times the energy of it. */
    public function testAStopTakesTheSquareOfTheSpeed(): void
    {
        $layout = World::handbook();
        $one = new Drive('one', 10.0, 30.0, 1);
        // 20 K from one stop; of them the pads' own rubbing makes less than one
        $fast = ToldDrive::read([ToldDrive::MINUTES => '0.5', ToldDrive::KMH => '72', ToldDrive::STOPS => '1']);
        self::assertEqualsWithDelta(4.0, $fast?->factor($layout, Corner::LeftFront, $one, 20.0), 0.2);
    }

    public function testWhatIsNotToldIsNotUsed(): void
    {
        self::assertNull(ToldDrive::read([]));
        self::assertNull(ToldDrive::read([ToldDrive::MINUTES => '12', ToldDrive::KMH => 'fast']));
        $told = [ToldDrive::MINUTES => '8,5', ToldDrive::KMH => '40'];
        self::assertSame(510.0, ToldDrive::read($told)?->drive->seconds);
        self::assertFalse(ToldDrive::read($told)->isDoubtful());
        self::assertTrue(ToldDrive::read($told + [ToldDrive::PARKING => 'yes'])?->isDoubtful());
    }

    private function factor(Drive $known, string $minutes, string $kmh, string $stops): float
    {
        $told = ToldDrive::read([
            ToldDrive::MINUTES => $minutes,
            ToldDrive::KMH => $kmh,
            ToldDrive::STOPS => $stops,
        ]) ?? self::fail('it is told');

        return $told->factor(World::handbook(), Corner::LeftFront, $known, 70.0);
    }
}
