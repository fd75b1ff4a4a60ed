<?php

declare(strict_types=1);

namespace Rodrel\Core\Tests\Isolation;

use PHPUnit\Framework\TestCase;
use Rodrel\Core\Fault\Particles;
use Rodrel\Core\Isolation\Context;
use Rodrel\Core\Tests\World;
use Rodrel\Core\Vocabulary\Corner;
use Rodrel\Core\Vocabulary\PartAt;
use Rodrel\Core\Vocabulary\SuspectAt;

/** What a job's history makes likelier or less likely, by hand. */
final class ContextTest extends TestCase
{
    /** New it is 0.35 times as likely worn, after a hundred weeks 1 − 0.65/e; only what ages with it, and there. */
    public function testANewPartIsLessLikelyWorn(): void
    {
        $piston = World::particle('piston.stuck-out@lf');
        $part = $piston->fault->odds->agesWith;
        self::assertNotNull($part);
        $fitted = static fn (float $weeks): Context => Context::none()->withFitted($part->at($piston->place), $weeks);
        self::assertEqualsWithDelta(0.35, $fitted(0.0)->factor($piston), 1e-12);
        self::assertEqualsWithDelta(0.35, $fitted(-3.0)->factor($piston), 1e-12);
        self::assertEqualsWithDelta(0.760878, $fitted(100.0)->factor($piston), 1e-6);
        self::assertSame(1.0, $fitted(0.0)->factor(World::particle('piston.stuck-out@rf')));
        self::assertSame(1.0, Context::none()->factor($piston));
        self::assertSame(0.5, Context::none()->withPart($part, 0.5)->factor($piston), 'wherever it is');
        $suspect = SuspectAt::parse('piston.stuck-out@lf');
        self::assertSame(3.0, Context::none()->withSuspect($suspect, 3.0)->factor($piston));
        self::assertSame(1.5, Context::none()->withSuspect($suspect, 3.0)->withPart($part, 0.5)->factor($piston));
    }

    /**
     * What comes of wrong fitting is `after_fitting` times as likely the day after, and 1 + (times − 1)/e at 20 weeks.
     */
    public function testWhatIsWronglyFittedShowsWithinWeeks(): void
    {
        $seen = 0;
        foreach (World::catalogue()->faults->all as $fault) {
            foreach ($fault->odds->afterFitting as $part => $times) {
                foreach (Particles::ofFault($fault, World::layout()) as $particle) {
                    if (null === $particle->place->corner() || $fault->odds->agesWith?->id === $part) {
                        continue;
                    }
                    $at = PartAt::parse($part.'@'.$particle->place);
                    $after = static fn (float $weeks): float => Context::none()
                        ->withFitted($at, $weeks)
                        ->factor($particle);
                    self::assertEqualsWithDelta($times, $after(0.0), 1e-9);
                    self::assertEqualsWithDelta(1.0 + ($times - 1.0) * 0.3678794, $after(20.0), 1e-5);
                    ++$seen;
                }
            }
        }
        self::assertGreaterThan(0, $seen);
    }

    /**
     * Half a millimetre left, and less: four times as likely worn; 2.75 as likely as ever; five, and more: a quarter.
     * Of an axle's pads the worst counts, a shoe stands for itself.
     */
    public function testALiningThatWasMeasured(): void
    {
        $pads = World::particle('pads.worn@front');
        foreach (['0.2' => 4.0, '0.5' => 4.0, '2.75' => 1.0, '5' => 0.25, '9' => 0.25] as $mm => $factor) {
            $context = Context::none()->withLining(Corner::LeftFront, (float) $mm);
            self::assertEqualsWithDelta($factor, $context->factor($pads), 1e-9, "$mm mm");
        }
        $both = Context::none()->withLining(Corner::LeftFront, 0.5)->withLining(Corner::RightFront, 9.0);
        self::assertEqualsWithDelta(4.0, $both->factor($pads), 1e-9);
        $shoes = Context::none()->withLining(Corner::LeftRear, 0.5)->withLining(Corner::RightRear, 9.0);
        self::assertEqualsWithDelta(4.0, $shoes->factor(World::particle('shoes.worn@lr')), 1e-9);
        self::assertEqualsWithDelta(0.25, $shoes->factor(World::particle('shoes.worn@rr')), 1e-9);
    }
}
