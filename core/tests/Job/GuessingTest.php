<?php

declare(strict_types=1);

namespace Rodrel\Core\Tests\Job;

use PHPUnit\Framework\TestCase;
use Rodrel\Core\Isolation\Belief;
use Rodrel\Core\Isolation\Context;
use Rodrel\Core\Isolation\Opening;
use Rodrel\Core\Job\Diagnosis;
use Rodrel\Core\Job\Guessing;
use Rodrel\Core\Log\Entry;
use Rodrel\Core\Log\Kind;
use Rodrel\Core\Tests\Isolation\ToyField;
use Rodrel\Core\Tests\World;
use Rodrel\Core\Vocabulary\GroupAt;

/** What replacing the usual would have cost. */
final class GuessingTest extends TestCase
{
    /**
     * A hose three times as likely as a caliper: 28.00 and 35 min in vain, then 115.00 and 60 min; an hour at 60.00,
     * and 150 and 250 mL of fluid at 20.00 a litre.
     */
    public function testTheLikeliestIsReplacedFirst(): void
    {
        $field = ToyField::make();
        $told = Belief::of($field, Opening::first($field, Context::none(), 0.15), []);
        $settings = World::settings(null, ['fluid_cents_per_litre' => 2000]);
        $caliper = Guessing::of($told, GroupAt::parse('caliper@vehicle'), $settings);
        self::assertSame(['hose@vehicle', 'caliper@vehicle'], array_map(strval(...), $caliper->replaced ?? []));
        self::assertEqualsWithDelta(2800 + 3500 + 300 + 11_500 + 6000 + 500, $caliper?->cents, 1e-6);
        $hose = Guessing::of($told, GroupAt::parse('hose@vehicle'), $settings);
        self::assertEqualsWithDelta(2800 + 3500 + 300, $hose?->cents, 1e-6, 'right at once');
        self::assertNull(Guessing::of($told, GroupAt::parse('master@vehicle'), $settings), 'nobody thought of it');
    }

    /** What was looked at afterwards changes nothing about what would have been guessed. */
    public function testGuessedFromTheDriversWordsAlone(): void
    {
        $at = new \DateTimeImmutable('2026-03-02 08:00:00');
        $intake = ['complaints' => ['drags@lf'], 'pattern' => '', 'arrival' => [], 'parts_fitted' => [], 'note' => ''];
        $look = ['check' => 'spin@vehicle', 'outcomes' => ['lf' => 'will-not-turn', 'rf' => 'one-finger']];
        $log = [new Entry('e1', 1, Kind::Intake->read($intake), 'ann', $at)];
        $later = [...$log, new Entry('e2', 2, Kind::Reading->read($look), 'ann', $at->modify('+5 minutes'))];
        $told = static fn (array $entries): array => Diagnosis::told(
            World::field('medium-car'),
            World::state($entries),
            World::settings(),
        )->groups;
        self::assertEqualsWithDelta($told($log), $told($later), 1e-12);
        self::assertNotSame(
            World::diagnosis(World::state($later))->belief->groups,
            $told($later),
            'the reading says something',
        );
    }
}
