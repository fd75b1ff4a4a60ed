<?php

declare(strict_types=1);

namespace Rodrel\Core\Tests\Trial;

use Rodrel\Core\Check\Instruments;
use Rodrel\Core\Check\Subject;
use Rodrel\Core\Fault\Particle;
use Rodrel\Core\Fault\Particles;
use Rodrel\Core\Log\Payload\Arrival;
use Rodrel\Core\Tests\World;
use Rodrel\Core\Trial\Hand;
use Rodrel\Core\Trial\Play;
use Rodrel\Core\Trial\TrueVehicle;
use Rodrel\Core\Trial\Visit;
use Rodrel\Core\Vocabulary\Corner;

/** Vehicles of the catalogue's own figures with the worst of a fault, read without slips, and jobs at them. */
final readonly class Trials
{
    /** @param list<string>|null $tools null: all of them */
    public static function play(
        string $fault,
        string $preset = 'medium-car',
        bool $drivenIn = false,
        ?array $tools = null,
    ): Play {
        return self::at(self::vehicle($fault, $preset, 0.0, $drivenIn, $tools), $preset);
    }

    public static function at(TrueVehicle $vehicle, string $preset = 'medium-car'): Play
    {
        return new Play(
            World::catalogue(),
            World::layout($preset),
            World::sound($preset),
            World::field($preset),
            $vehicle,
        );
    }

    /**
     * At the left front wheel, where the fault is a wheel's.
     *
     * @param list<string>|null $tools null: all of them
     */
    public static function vehicle(
        string $fault,
        string $preset = 'medium-car',
        float $wrong = 0.0,
        bool $drivenIn = false,
        ?array $tools = null,
        int $seed = 5,
    ): TrueVehicle {
        $catalogue = World::catalogue();
        $layout = World::layout($preset);
        $there = array_filter(
            Particles::ofFault($catalogue->faults->of($fault), $layout),
            static fn (Particle $one): bool => \in_array($one->place->corner(), [Corner::LeftFront, null], true),
        );

        return new TrueVehicle(
            $preset,
            [end($there)],
            Subject::sane(new Instruments($layout), $catalogue->checks, $catalogue->complaints),
            new Hand($catalogue->checks, $wrong, $seed),
            new Visit(
                new Arrival(false, $drivenIn),
                [],
                World::settings($tools),
                new \DateTimeImmutable('2026-03-02 08:00:00'),
            ),
        );
    }
}
