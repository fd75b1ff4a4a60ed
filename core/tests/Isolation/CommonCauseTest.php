<?php

declare(strict_types=1);

namespace Rodrel\Core\Tests\Isolation;

use PHPUnit\Framework\TestCase;
use Rodrel\Core\Isolation\CommonCause;
use Rodrel\Core\Log\Entry;
use Rodrel\Core\Log\Kind;
use Rodrel\Core\Tests\World;
use Rodrel\Core\Vocabulary\Corner;
use Rodrel\Core\Vocabulary\PartAt;

/** What one held wheel says of its circuit: discs all round, left front with right rear. */
final class CommonCauseTest extends TestCase
{
    private const FREE = ['lf' => 'one-finger', 'rf' => 'one-finger', 'lr' => 'one-finger', 'rr' => 'one-finger'];

    /** A booster whose valve holds on presses all four; where one drags alone three are missed. */
    public function testWhatHoldsMoreIsMissedThere(): void
    {
        $said = $this->said(['lf' => 'will-not-turn'] + self::FREE);
        self::assertContains(['holds-more', 'booster.holds@vehicle', ['rf', 'lr', 'rr']], $said);
        foreach ($said as [, , $places]) {
            self::assertNotContains('lf', $places, 'the held one is no surprise');
        }
        $axle = $this->said(['lf' => 'will-not-turn', 'rf' => 'will-not-turn'] + self::FREE);
        self::assertContains(['holds-more', 'booster.holds@vehicle', ['lr', 'rr']], $axle);
    }

    public function testPartnersStandAcross(): void
    {
        $across = static fn (Corner ...$wheels): bool => (new \ReflectionMethod(CommonCause::class, 'isDiagonal'))
            ->invoke(null, $wheels);
        self::assertTrue($across(Corner::LeftFront, Corner::RightRear));
        self::assertTrue($across(Corner::RightFront, Corner::LeftRear));
        self::assertFalse($across(Corner::LeftFront, Corner::LeftRear), 'a side');
        self::assertFalse($across(Corner::LeftFront, Corner::RightFront), 'an axle');
        self::assertFalse($across(Corner::LeftFront, Corner::RightRear, Corner::LeftRear));
    }

    public function testWhereNothingIsMissingNothingIsSaid(): void
    {
        self::assertSame([], $this->said(self::FREE));
        self::assertSame([], $this->said(null), 'nobody span a wheel');
        $all = array_fill_keys(array_keys(self::FREE), 'will-not-turn');
        self::assertNotContains('booster.holds@vehicle', array_column($this->said($all), 1), 'all are held');
    }

    /** A new hose where it still drags speaks against the hose; one where nothing drags says nothing. */
    public function testANewPart(): void
    {
        $spun = ['lf' => 'will-not-turn'] + self::FREE;
        $new = static fn (array $said): array => array_values(
            array_filter($said, static fn (array $one): bool => 'new-part' === $one[0]),
        );
        [$found] = $new($this->said($spun, [PartAt::parse('hose@lf')]));
        self::assertStringStartsWith('hose.', $found[1]);
        self::assertStringEndsWith('@lf', $found[1]);
        self::assertSame(['lf'], $found[2]);
        self::assertSame([], $new($this->said($spun, [PartAt::parse('hose@rf')])));
    }

    /**
     * @param array<string, string>|null $spun
     * @param list<PartAt> $fitted
     *
     * @return list<array{string, string, list<string>}> key, suspect and places
     */
    private function said(?array $spun, array $fitted = []): array
    {
        $at = new \DateTimeImmutable('2026-03-01 08:00:00');
        $log = [new Entry('e1', 1, Kind::Intake->read(['complaint' => 'drags-lf', 'parts' => []]), 'anna', $at)];
        if (null !== $spun) {
            $read = Kind::Reading->read(['check' => 'spin@vehicle', 'outcomes' => $spun]);
            $log[] = new Entry('e2', 2, Kind::Lift->read(['to' => 'raised', 'stands' => true]), 'anna', $at);
            $log[] = new Entry('e3', 3, $read, 'anna', $at);
        }
        $state = World::state($log, 'petrol-turbo');

        return array_map(
            static fn (CommonCause $one): array => array_values($one->toArray()),
            CommonCause::in(World::diagnosis($state, 'petrol-turbo')->belief, $state->situation, $fitted),
        );
    }
}
