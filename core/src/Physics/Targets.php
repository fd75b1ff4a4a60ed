<?php

declare(strict_types=1);

namespace Rodrel\Core\Physics;

use Rodrel\Core\InvalidData;
use Rodrel\Core\Vehicle\Chamber;
use Rodrel\Core\Vehicle\Layout;
use Rodrel\Core\Vocabulary\Corner;
use Rodrel\Core\Vocabulary\Place;
use Rodrel\Core\Vocabulary\TargetAt;

/**
 * What an effect may act on, with the unit and the believable range of every parameter: the model's only list of
 * them. What is not in it is refused, never ignored.
 */
final readonly class Targets
{
    private const LINE = [
        'gf' => [0.0, 10.0],      // mL/s/kPa toward the wheel
        'gr' => [0.0, 10.0],      // mL/s/kPa back
        'hold' => [0.0, 5000.0],  // kPa that it keeps back
    ];
    private const KINDS = [
        'hose' => self::LINE,
        'pipe' => self::LINE,
        'axle-pipe' => self::LINE,
        'inlet-valve' => self::LINE,
        'master-line' => self::LINE,
        'main-pipe' => self::LINE,
        'hose-top' => [
            'stiffness' => [1e-7, 1e-2],  // mL/kPa
            'leak' => [0.0, 1.0],         // mL/s/kPa
        ],
        'wheel' => [
            'stiffness' => [1e-6, 1e-2],       // mL/kPa
            'air' => [0.0, 30.0],              // mL at rest
            'leak' => [0.0, 1.0],              // mL/s/kPa
            'extra_clearance' => [-1.0, 10.0], // mL
            'knock' => [0.0, 10.0],            // mL that driving over bends opens and one stroke takes up
        ],
        'brake' => [
            'spring' => [0.0, 2000.0],      // N
            'apply' => [0.0, 20000.0],      // N, friction band
            'hold' => [0.0, 20000.0],       // N, friction band
            'bracket' => [0.0, 20000.0],    // N, pads in their bracket
            'pins' => [0.0, 20000.0],       // N, guide pins
            'friction' => [0.01, 1.2],      // μ
            'extra_drag' => [0.0, 3000.0],  // N·m
        ],
        'chamber' => [
            'rest' => [0.0, 5.0],          // mL that the piston stops short
            'start' => [0.0, 5.0],         // mL at which it stands before the first press
            'bypass_hard' => [0.0, 1.0],   // mL/s/kPa
            'bypass_light' => [0.0, 1.0],  // mL/s/kPa
            'port' => [0.0, 1.0],          // mL/s/kPa
            'air' => [0.0, 30.0],          // mL at rest
        ],
        'modulator' => [
            'air' => [0.0, 30.0],    // mL at rest
            'outlet' => [0.0, 1.0],  // mL/s/kPa past a shut outlet valve, into the small chamber behind it
        ],
        'modulator-inlet' => ['leak' => [0.0, 1.0]],  // mL/s/kPa, the pipe's end at the modulator or the tee
        'metering' => ['opens_kpa' => [0.0, 20000.0]],
        'rear-valve' => [
            'knee_kpa' => [0.0, 20000.0],
            'slope' => [0.0, 1.0],
        ],
        'master' => [
            'bore_share' => [0.5, 2.0],    // of the right bore
            'rear_seal' => [0.0, 1.0],     // mL/s/kPa into the booster
        ],
        'reservoir' => [
            'vent' => [0.0, 1.0],            // mL/s/kPa by which what returns can leave with its cap on
            'lost_ml_day' => [0.0, 1000.0],  // by a way that no brake pressure moves: clutch, grommet
        ],
        'fluid' => [
            'flow' => [0.01, 2.0],   // factor on every conductance
            'water' => [0.0, 10.0],  // % by volume
        ],
        'pedal' => [
            'slack' => [0.0, 30.0],  // mm at the push-rod, more than its free play
            'give' => [0.0, 30.0],   // mm at the push-rod a kN on it: booster, bulkhead or bracket that flexes
        ],
        'chassis' => [
            'pull_first' => [-1.0, 1.0],   // pull index at the first touch that is not the brakes', to the left
            'pull_whole' => [-1.0, 1.0],   // the same through the whole stop
        ],
        'remote' => [
            'gain_share' => [0.0, 1.0],    // of what it should add
        ],
        'booster' => [
            'stuck' => [0.0, 5000.0],      // N at the rod
            'preload' => [0.0, 2000.0],    // N with which an output rod that is too long holds the master forward
            'hold_s' => [0.0, 86400.0],    // s
            'vacuum_kpa' => [0.0, 101.0],  // kPa below the air, engine running, pedal up
            'pressed_kpa' => [0.0, 101.0], // the same while the pedal is pressed
            'fill_s' => [0.05, 3600.0],    // time constant of the supply
            'keep_s' => [0.5, 1e7],        // time constant of the standing loss, engine off
        ],
    ];

    /** @param array<string, array<string, array{float, float}>> $legal parameter ranges by target */
    private function __construct(private array $legal)
    {
    }

    public static function in(Layout $layout): self
    {
        $legal = [];
        foreach (array_keys(self::KINDS) as $kind) {
            foreach (self::placesOf($kind, $layout) as $place) {
                $legal[(string) TargetAt::of($kind, $place)] = self::KINDS[$kind];
            }
        }

        return new self($legal);
    }

    /**
     * The range of a parameter whatever the layout; null where no such target or parameter is.
     *
     * @return array{float, float}|null
     */
    public static function range(string $kind, string $parameter): ?array
    {
        return self::KINDS[$kind][$parameter] ?? null;
    }

    /** @return list<string> */
    public static function kinds(): array
    {
        return array_keys(self::KINDS);
    }

    /**
     * @param string $path of the effects in their document
     *
     * @throws InvalidData with the path of the first effect that this vehicle cannot have
     */
    public function check(Effects $effects, string $path): void
    {
        foreach ($effects->all() as $target => $parameters) {
            $ranges = $this->legal[$target] ?? throw InvalidData::at(
                $path.'/'.$target,
                'this vehicle has no such part; it has '.implode(', ', array_keys($this->legal)),
            );
            foreach ($parameters as $parameter => $value) {
                $at = $path.'/'.$target.'/'.$parameter;
                [$low, $high] = $ranges[$parameter] ?? throw InvalidData::at(
                    $at,
                    'there is no such parameter; there are '.implode(', ', array_keys($ranges)),
                );
                if ($value < $low || $value > $high) {
                    throw InvalidData::at($at, \sprintf('%g is outside %g to %g', $value, $low, $high));
                }
            }
        }
    }

    /** @return list<Place|Corner|string|null> where a kind of target is in a layout; null: it is there once */
    public static function placesOf(string $kind, Layout $layout): array
    {
        return match ($kind) {
            'hose', 'pipe', 'hose-top' => $layout->hoses(),
            'inlet-valve', 'modulator' => $layout->pipework->modulator ? $layout->hoses() : [],
            'rear-valve' => array_values(array_filter(
                Corner::cases(),
                static fn (Corner $corner): bool => isset($layout->pipework->valves[$corner->value]),
            )),
            'master', 'reservoir', 'fluid', 'pedal', 'chassis' => [null],
            'metering' => null === $layout->pipework->meteringKpa ? [] : [null],
            'remote' => null === $layout->assist->remote ? [] : [null],
            'axle-pipe' => self::behindATee($layout),
            'wheel', 'brake' => Corner::cases(),
            'master-line', 'main-pipe', 'modulator-inlet', 'chamber' => array_map(
                static fn (Chamber $chamber): string => $chamber->id,
                $layout->chambers,
            ),
            default => $layout->hasAssist() ? [null] : [],
        };
    }

    /** @return list<Corner> wheels that share their hose */
    private static function behindATee(Layout $layout): array
    {
        return array_values(array_filter(
            Corner::cases(),
            static fn (Corner $corner): bool => null === $layout->hoseOf($corner)->corner(),
        ));
    }
}
