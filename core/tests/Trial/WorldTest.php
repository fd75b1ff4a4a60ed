<?php

declare(strict_types=1);

namespace Rodrel\Core\Tests\Trial;

use PHPUnit\Framework\TestCase;
use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Tests\World as Shipped;
use Rodrel\Core\Trial\Departure;
use Rodrel\Core\Trial\Draw;
use Rodrel\Core\Trial\Innocent;
use Rodrel\Core\Trial\Tally;
use Rodrel\Core\Trial\TrueVehicle;
use Rodrel\Core\Trial\World;
use Rodrel\Core\Vocabulary\CheckAt;

/** What the World changes, how far, and that it changes nothing where nothing departs. */
final class WorldTest extends TestCase
{
    public function testWithoutDeparturesItIsTheModel(): void
    {
        $documents = Shipped::documents();
        self::assertSame($documents, World::asModelled()->documents($documents));
        $plain = $this->draw()->vehicle(5, 'medium-car', 1, 0.02);
        $other = $this->draw(World::asModelled())->vehicle(5, 'medium-car', 1, 0.02);
        $at = CheckAt::parse('spin@vehicle');
        self::assertSame($plain->answer($at), $other->answer($at));
    }

    /** Priors lie within a factor of three, signs sum to what they did, the same for everybody. */
    public function testFiguresAreDrawnAgainWithinBounds(): void
    {
        $documents = Shipped::documents();
        $world = new World([Departure::Signs, Departure::Priors]);
        $again = $world->documents($documents);
        self::assertSame($again, $world->documents($documents));
        $moved = 0;
        foreach ($documents['faults']['faults'] as $n => $fault) {
            $other = $again['faults']['faults'][$n];
            self::assertLessThanOrEqual(log(3.0) + 1e-9, abs(log($other['weight'] / $fault['weight'])));
            foreach ($fault['signs'] as $check => $chances) {
                $drawn = $other['signs'][$check];
                self::assertEqualsWithDelta(array_sum($chances), array_sum($drawn), 1e-9);
                foreach (array_keys(array_filter($chances)) as $k) {
                    // within two either way before the row is made to sum up, so within four after it
                    self::assertLessThanOrEqual(log(4.0) + 1e-9, abs(log($drawn[$k] / $chances[$k])), $check);
                }
                $moved += (int) ($drawn !== $chances);
            }
        }
        self::assertGreaterThan(100, $moved);
        Catalogue::fromArray($again);
    }

    /** A third have an innocent defect, one in twenty fails otherwise, one in ten is another kind: of 120 so many. */
    public function testHowOftenItDeparts(): void
    {
        $draw = $this->draw(new World([Departure::Innocent, Departure::Outside]));
        $outside = $innocent = 0;
        for ($n = 0; $n < 120; ++$n) {
            $vehicle = $draw->vehicle(1000 + $n, 'medium-car', 1, 0.0);
            $outside += (int) $vehicle->outside;
            $innocent += (int) (null !== $this->innocent($vehicle));
        }
        // three standard deviations either way
        self::assertEqualsWithDelta(6.0, $outside, 3.0 * sqrt(120 * 0.05 * 0.95));
        self::assertEqualsWithDelta(40.0, $innocent, 3.0 * sqrt(120 * 0.333 * 0.667));
    }

    /** An innocent defect is shown by the check that shows such a thing, and by no other. */
    public function testAnInnocentDefectIsSeenWhereItIs(): void
    {
        $draw = $this->draw(new World([Departure::Innocent]));
        for ($n = 0; $n < 40; ++$n) {
            $vehicle = $draw->vehicle(2000 + $n, 'medium-car', 1, 0.0);
            $innocent = $this->innocent($vehicle);
            if (null !== $innocent) {
                self::assertSame($innocent->word, $vehicle->answer($innocent->at)[$innocent->row]);
            }
        }
    }

    /** On one vehicle a family is off in the same way each time; on the next otherwise. */
    public function testAFamilyIsOffOncePerVehicle(): void
    {
        $world = new World([Departure::Physics]);
        self::assertSame($world->biases(7, ['spin', 'gauge']), $world->biases(7, ['spin', 'gauge']));
        self::assertNotSame($world->biases(7, ['spin']), $world->biases(8, ['spin']));
        self::assertSame([], World::asModelled()->biases(7, ['spin']));
        $square = 0.0;
        for ($n = 0; $n < 400; ++$n) {
            $square += $world->biases($n, ['gauge'])['gauge'] ** 2;
        }
        self::assertEqualsWithDelta(0.1, sqrt($square / 400.0), 0.015, 'a gauge by a tenth');
    }

    /** −ln 0.8 of what came true with 0.8, −ln 0.4 of what was believed 0.6 and was not so. */
    public function testTheLogScore(): void
    {
        $found = Tally::calibration([[0.8, true], [0.6, false]]);
        self::assertEqualsWithDelta((0.2231436 + 0.9162907) / 2.0, $found['log'], 1e-6);
    }

    private function draw(?World $world = null): Draw
    {
        $day = new \DateTimeImmutable('2026-03-02 08:00:00');
        $documents = ($world ?? World::asModelled())->documents(Shipped::documents());

        return new Draw(Catalogue::fromArray($documents), $documents, Shipped::SHOP, $day, $world);
    }

    private function innocent(TrueVehicle $vehicle): ?Innocent
    {
        $innocent = (new \ReflectionProperty($vehicle, 'innocent'))->getValue($vehicle);

        return $innocent instanceof Innocent ? $innocent : null;
    }
}
