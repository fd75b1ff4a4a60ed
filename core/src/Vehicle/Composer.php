<?php

declare(strict_types=1);

namespace Rodrel\Core\Vehicle;

use Rodrel\Core\InvalidData;
use Rodrel\Core\Shape;

/**
 * Composes a layout from its parts, and lays a vehicle's own figures over typical ones. What is never built, or cannot
 * brake, is refused with the reason.
 */
final readonly class Composer
{
    public const SPLITS = ['diagonal', 'front-rear', 'single'];
    public const FRONTS = ['disc', 'four-piston', 'drum'];
    /** By what their parking brake is: small shoes, beside a fixed caliper too, in the caliper, a motor. */
    public const REAR_DISCS = ['disc', 'four-piston', 'built-in', 'electric'];
    public const REARS = ['drum', ...self::REAR_DISCS];
    /** Discs whose parking brake is a pair of small shoes. */
    private const WITH_HAT = ['disc', 'four-piston'];
    public const ASSISTS = [
        'engine-vacuum', 'electric-pump', 'line-booster', 'none', 'pump-and-accumulator', 'compressed-air',
        'oil-immersed',
    ];
    /** Assist that the model does not know: named, and refused. */
    public const NOT_MODELLED = ['steering-pump', 'by-wire'];
    /** What is known of only in part. */
    private const REACH = [
        'pump-and-accumulator' => Reach::Unit,
        'compressed-air' => Reach::Air,
        'oil-immersed' => Reach::WetDiscs,
    ];
    /** Figure → what it must lie between to be believed, in core units. */
    public const FIGURES = [
        'master_bore_mm' => [12.0, 40.0],
        'front_bore_mm' => [15.0, 100.0],
        'rear_bore_mm' => [12.0, 70.0],
        'front_radius_m' => [0.06, 0.25],
        'rear_radius_m' => [0.06, 0.25],
        'rotor_front_kg' => [1.0, 40.0],
        'rotor_rear_kg' => [1.0, 40.0],
        'pedal_ratio' => [2.0, 9.0],
        'mass_kg' => [300.0, 9000.0],
        'front_axle_kg' => [150.0, 6000.0],
        'rear_axle_kg' => [150.0, 6000.0],
        'tyre_radius_m' => [0.2, 0.6],
        'reservoir_ml' => [30.0, 800.0],
        'vacuum_kpa' => [10.0, 101.0],
        'rotor_min_front_mm' => [4.0, 60.0],
        'rotor_min_rear_mm' => [3.0, 60.0],
        'drum_max_mm' => [100.0, 500.0],
    ];

    /** A rear pressure valve, and what the anti-lock unit does in its place (estimate; knee 2 to 4 MPa). */
    private const VALVE = ['knee_kpa' => 2500, 'slope' => 0.35];
    private const CAP = ['knee_kpa' => 3000, 'slope' => 0.25];
    private const CAP_HEAVY = ['knee_kpa' => 4000, 'slope' => 0.5];
    /** Discs and drums of a heavier vehicle are larger (m; estimate). */
    private const FRONT_RADIUS_HEAVY_M = 0.13;
    private const DRUM_RADIUS_HEAVY_M = 0.127;
    private const FRONT_WHEELS = ['lf', 'rf'];
    private const REAR_WHEELS = ['lr', 'rr'];
    private const DISC = ['brake' => 'disc', 'touch_kpa' => 30, 'spring_kpa' => 0, 'friction' => 0.38, 'spring_n' => 0];
    private const DRUM = [
        'brake' => 'drum',
        'touch_kpa' => 60,
        'spring_kpa' => 250,
        'friction' => 0.38,
        'spring_n' => 90,
    ];

    /**
     * A document for Layout::fromArray() with typical figures throughout.
     *
     * @param array<array-key, mixed> $parts split, front, rear, anti_lock, assist, solid_axle, rear_valve, load_valve,
     *     shared_clutch
     *
     * @return array<string, mixed>
     *
     * @throws InvalidData `/vehicle/<key of the reason>` when such a vehicle cannot be
     */
    public static function compose(array $parts): array
    {
        $shape = new Shape($parts, '/vehicle');
        $split = self::oneOf($shape, 'split', self::SPLITS);
        $front = self::oneOf($shape, 'front', self::FRONTS);
        $rear = self::oneOf($shape, 'rear', self::REARS);
        $assist = self::oneOf($shape, 'assist', [...self::ASSISTS, ...self::NOT_MODELLED]);
        if (\in_array($assist, self::NOT_MODELLED, true)) {
            throw InvalidData::at('/vehicle/'.$assist, 'assist of this kind is not modelled');
        }
        $antiLock = $shape->flag('anti_lock');
        $solid = $shape->flag('solid_axle');
        $valve = $shape->flag('rear_valve');
        $follows = $shape->flag('load_valve');
        $disc = !\in_array($rear, self::WITH_HAT, true) || 'drum' === $front; // what these three are not built with
        foreach (
            [
                'diagonal-axle' => 'diagonal' === $split && $solid,
                'single-anti-lock' => 'single' === $split && $antiLock,
                'front-drum-rear-disc' => 'drum' === $front && 'drum' !== $rear,
                'electric-without-anti-lock' => 'electric' === $rear && !$antiLock,
                'valve-and-anti-lock' => ($valve || $follows) && $antiLock,
                'shared-clutch-parts' => $shape->flag('shared_clutch') && isset(self::REACH[$assist]),
                'line-booster-anti-lock' => 'line-booster' === $assist && $antiLock,
                'line-booster-split' => 'line-booster' === $assist && 'single' !== $split,
                'pump-without-engine-vacuum' => 'electric-pump' === $assist && 'single' === $split,
                'unit-parts' => 'pump-and-accumulator' === $assist && (!$antiLock || $disc || 'single' === $split),
                'air-parts' => 'compressed-air' === $assist && ($disc || 'front-rear' !== $split),
                'wet-parts' => 'oil-immersed' === $assist && ($antiLock || $disc || 'front-rear' !== $split),
            ] as $reason => $impossible
        ) {
            if ($impossible) {
                throw InvalidData::at('/vehicle/'.$reason, 'such a vehicle is not built');
            }
        }

        return self::fitted(
            [
                'id' => 'composed',
                'reach' => (self::REACH[$assist] ?? Reach::Foot)->value,
                'pedal' => [
                    'ratio' => match ($assist) {
                        'none' => 6.0,
                        'line-booster' => 5.2,
                        default => 4.0,
                    },
                    'free_mm' => 2.0,
                ],
                'booster' => match ($assist) {
                    'none' => [],
                    'line-booster' => self::lineBooster($solid),
                    default => [
                        // from the jump on; with it a firm press makes 5.5 and 4.5 times what is over the cut-in
                        'gain' => $solid ? 4.778 : 3.87,
                        'cut_in_n' => 60,
                        'jump_out_n' => $solid ? 450 : 400,
                        'area_cm2' => $solid ? 560 : 430,
                        'vacuum_kpa' => 'electric-pump' === $assist ? 80 : 65,
                        'pump' => 'electric-pump' === $assist,
                    ],
                },
                'master' => ['bore_mm' => 22.2, 'chambers' => self::chambers($split)],
                'modulator' => $antiLock,
                'rear_solid_axle' => $solid,
                'tyre_radius_m' => $solid ? 0.36 : 0.3,
                'mass_kg' => $solid ? 1950 : 1350,
                'front_share' => $solid ? 0.54 : 0.6,
                'height_to_wheelbase' => $solid ? 0.26 : 0.21,
                'pipe_m' => ['lf' => 0.9, 'rf' => 1.7, 'lr' => 3.4, 'rr' => 4.0],
                'shared_clutch' => $shape->flag('shared_clutch'),
                'rear_valves' => self::heldBack(
                    $valve || $follows ? ['follows_load' => $follows] + self::VALVE : [],
                    $antiLock && ($solid || 'drum' === $front || 'drum' !== $rear),
                    $solid && 'drum' === $rear ? self::CAP_HEAVY : self::CAP,
                ),
                'corners' => [
                    'lf' => self::front($front),
                    'rf' => self::front($front),
                    'lr' => self::rear($rear),
                    'rr' => self::rear($rear),
                ],
            ],
            'drum' === $front,
            'drum' === $rear,
            $solid,
        );
    }

    /**
     * A preset: whole, or its parts and the figures that make it what it is.
     *
     * @param array<array-key, mixed> $preset
     *
     * @return array<array-key, mixed> document for Layout::fromArray()
     *
     * @throws InvalidData when the parts do not go together, or a figure cannot be
     */
    public static function preset(array $preset): array
    {
        $shape = new Shape($preset);
        if (!$shape->has('parts')) {
            return $preset;
        }
        $vehicle = self::withFigures(self::compose($shape->raw('parts')), $shape->in('figures')->numberMapSelf());

        $own = ['id' => $shape->text('id'), 'parts' => $shape->raw('parts')];

        return $own + ($shape->has('also') ? $shape->raw('also') : []) + $vehicle;
    }

    /**
     * Bores that suit the weight, and each other: the heavier vehicle has larger ones; rear discs without anything that
     * holds them back, and rear drums behind front drums, have smaller ones.
     *
     * @param array<string, mixed> $document
     *
     * @return array<string, mixed>
     */
    private static function fitted(array $document, bool $frontDrum, bool $rearDrum, bool $heavy): array
    {
        $held = [] !== $document['rear_valves'];
        $front = $frontDrum ? ($heavy ? 38.1 : 30.16) : ($heavy ? 68.0 : 57.0);
        $rear = match (true) {
            $rearDrum && $frontDrum => $heavy ? ($held ? 22.2 : 19.05) : ($held ? 19.05 : 15.87),
            $rearDrum => $heavy ? 22.2 : 19.05,
            default => ($heavy ? 1.1 : 1.0) * ($held ? 36.0 : 30.0),
        };
        $document = self::withBore(self::withBore($document, self::FRONT_WHEELS, $front), self::REAR_WHEELS, $rear);
        $document = self::withMasterBore($document, [] === $document['booster'] ? 20.64 : ($heavy ? 23.8 : 22.2));
        if ($heavy) {
            $document = self::atWheels($document, self::FRONT_WHEELS, 'radius_m', self::FRONT_RADIUS_HEAVY_M);
        }
        if ($heavy && $rearDrum && !$frontDrum) {
            $document = self::atWheels($document, self::REAR_WHEELS, 'radius_m', self::DRUM_RADIUS_HEAVY_M);
        }
        foreach ($heavy ? ['rotor_front_kg' => 9.0, 'rotor_rear_kg' => 5.4] : [] as $figure => $value) {
            $document = self::withFigures($document, [$figure => $value]);
        }

        return array_combine(array_map(strval(...), array_keys($document)), array_values($document));
    }

    /**
     * @param array<string, bool|float|int> $valve none: []
     * @param array{knee_kpa: int, slope: float} $cap
     *
     * @return array<string, array<string, bool|float|int>> by rear wheel, where something holds it back
     */
    private static function heldBack(array $valve, bool $capped, array $cap): array
    {
        return match (true) {
            [] !== $valve => array_fill_keys(self::REAR_WHEELS, $valve),
            $capped => array_fill_keys(self::REAR_WHEELS, $cap),
            default => [],
        };
    }

    /**
     * Lays the vehicle's own figures over a layout document; those that are not given stay typical.
     *
     * @param array<array-key, mixed> $document
     * @param array<string, float> $figures see FIGURES
     *
     * @return array<array-key, mixed>
     *
     * @throws InvalidData when a figure is unknown or cannot be
     */
    public static function withFigures(array $document, array $figures): array
    {
        self::checkFigures($figures);
        foreach ($figures as $name => $value) {
            $document = match ($name) {
                'master_bore_mm' => self::withMasterBore($document, $value),
                'pedal_ratio' => self::put($document, ['pedal', 'ratio'], $value),
                'vacuum_kpa' => self::put($document, ['booster', 'vacuum_kpa'], $value),
                'mass_kg', 'tyre_radius_m', 'reservoir_ml' => self::put($document, [$name], $value),
                'front_bore_mm' => self::withBore($document, self::FRONT_WHEELS, $value),
                'rear_bore_mm' => self::withBore($document, self::REAR_WHEELS, $value),
                'front_radius_m' => self::atWheels($document, self::FRONT_WHEELS, 'radius_m', $value),
                'rear_radius_m' => self::atWheels($document, self::REAR_WHEELS, 'radius_m', $value),
                'rotor_front_kg' => self::atWheels($document, self::FRONT_WHEELS, 'rotor_kg', $value),
                'rotor_rear_kg' => self::atWheels($document, self::REAR_WHEELS, 'rotor_kg', $value),
                default => $document,
            };
        }

        return self::withAxleWeights($document, $figures);
    }

    /**
     * The same for a vehicle of which somebody typed the mass: what is typical grows with it, and lies under what is
     * typed. Rotors as the mass; radii and bores as its cube root, so that area times radius grows as it does; a
     * booster at the pedal and its master so that the foot makes the same pressure over the same way. Without one the
     * master stays, and the way is longer.
     *
     * @param array<array-key, mixed> $document
     * @param array<string, float> $figures see FIGURES
     *
     * @return array<array-key, mixed>
     *
     * @throws InvalidData when a figure is unknown or cannot be
     */
    public static function withOwnFigures(array $document, array $figures): array
    {
        $typed = self::withFigures($document, $figures);
        $times = (new Shape($typed))->number('mass_kg', 1.0) / (new Shape($document))->number('mass_kg', 1.0);

        return 1.0 === $times ? $typed : self::withFigures(self::grown($document, $times), $figures);
    }

    /**
     * @param array<array-key, mixed> $document
     *
     * @return array<array-key, mixed>
     */
    private static function grown(array $document, float $times): array
    {
        $length = $times ** (1.0 / 3.0);
        $shape = new Shape($document);
        if ($shape->in('booster')->number('area_cm2', 0.0) > 0.0) {
            $document = self::withMasterBore($document, $length * $shape->in('master')->number('bore_mm', 1.0));
            foreach (['gain', 'jump_out_n', 'area_cm2'] as $key) {
                $value = $length ** 2 * $shape->in('booster')->number($key, 0.0);
                $document = self::put($document, ['booster', $key], $value);
            }
        }
        foreach ([...self::FRONT_WHEELS, ...self::REAR_WHEELS] as $wheel) {
            $corner = $shape->in('corners')->in($wheel);
            $document = self::withBore($document, [$wheel], $length * $corner->number('bore_mm', 1.0));
            foreach (['radius_m' => $length, 'rotor_kg' => $times] as $key => $grows) {
                $value = $grows * $corner->number($key, 1.0);
                $document = self::put($document, ['corners', $wheel, $key], $value);
            }
        }

        return $document;
    }

    /**
     * @param array<string, float> $figures see FIGURES
     *
     * @throws InvalidData when a figure is unknown or cannot be
     */
    public static function checkFigures(array $figures): void
    {
        foreach ($figures as $name => $value) {
            $range = self::FIGURES[$name] ?? throw InvalidData::at('/figures/'.$name, 'there is no such figure');
            [$low, $high] = $range;
            if ($value < $low || $value > $high) {
                throw InvalidData::at('/figures/'.$name, \sprintf('%g is outside %g to %g', $value, $low, $high));
            }
        }
    }

    /**
     * A larger master moves more fluid in the same millimetres: its stroke is kept in mm.
     *
     * @param array<array-key, mixed> $document
     *
     * @return array<array-key, mixed>
     */
    private static function withMasterBore(array $document, float $boreMm): array
    {
        $master = (new Shape($document))->in('master');
        $times = ($boreMm / $master->number('bore_mm', $boreMm)) ** 2;
        foreach ($master->each('chambers') as $n => $chamber) {
            $stroke = $times * $chamber->number('stroke_ml');
            $document = self::put($document, ['master', 'chambers', (int) $n, 'stroke_ml'], $stroke);
        }

        return self::put($document, ['master', 'bore_mm'], $boreMm);
    }

    /**
     * A larger piston takes more fluid for the same millimetres of travel and of give, and its shoes' springs push
     * against more of it: volumes, stiffness and spring follow the area.
     *
     * @param array<array-key, mixed> $document
     * @param list<string> $wheels
     *
     * @return array<array-key, mixed>
     */
    private static function withBore(array $document, array $wheels, float $boreMm): array
    {
        foreach ($wheels as $wheel) {
            $corner = (new Shape($document))->in('corners')->in($wheel);
            $times = ($boreMm / $corner->number('bore_mm', $boreMm)) ** 2;
            foreach (['stiffness_ml_per_kpa', 'clearance_ml', 'spring_n', 'fluid_ml'] as $key) {
                if ($corner->has($key)) {
                    $document = self::put($document, ['corners', $wheel, $key], $times * $corner->number($key));
                }
            }
            $document = self::put($document, ['corners', $wheel, 'bore_mm'], $boreMm);
        }

        return $document;
    }

    /**
     * Both axle weights make the mass; one of them divides the mass there is.
     *
     * @param array<array-key, mixed> $document
     * @param array<string, float> $figures
     *
     * @return array<array-key, mixed>
     */
    private static function withAxleWeights(array $document, array $figures): array
    {
        $front = $figures['front_axle_kg'] ?? null;
        $rear = $figures['rear_axle_kg'] ?? null;
        if (null !== $front && null !== $rear) {
            $document = self::put($document, ['mass_kg'], $front + $rear);
        }
        $mass = (new Shape($document))->number('mass_kg', 1.0);
        $share = null !== $front ? $front / $mass : (null !== $rear ? 1.0 - $rear / $mass : null);
        if (null === $share) {
            return $document;
        }
        if ($share < 0.2 || $share > 0.9) {
            throw InvalidData::at('/figures/front_axle_kg', 'the axle weights do not fit the mass');
        }

        return self::put($document, ['front_share'], $share);
    }

    /**
     * @param array<array-key, mixed> $document
     * @param list<string> $wheels
     *
     * @return array<array-key, mixed>
     */
    private static function atWheels(array $document, array $wheels, string $key, float $value): array
    {
        foreach ($wheels as $wheel) {
            $document = self::put($document, ['corners', $wheel, $key], $value);
        }

        return $document;
    }

    /** @param list<string> $allowed */
    private static function oneOf(Shape $shape, string $key, array $allowed): string
    {
        $value = $shape->text($key);

        return \in_array($value, $allowed, true)
            ? $value
            : throw $shape->wrong($key, 'one of '.implode(', ', $allowed).' is expected');
    }

    /**
     * A vacuum booster in the line, larger for a heavier vehicle (estimate; ratio 2 to 6).
     *
     * @return array<string, mixed>
     */
    private static function lineBooster(bool $heavy): array
    {
        $remote = ['cut_in_kpa' => 300, 'ratio' => $heavy ? 5.4 : 4.0, 'area_ratio' => $heavy ? 120 : 100];

        return ['vacuum_kpa' => 65, 'remote' => $remote];
    }

    /** @return list<array{id: string, stroke_ml: float, wheels: list<string>}> */
    private static function chambers(string $split): array
    {
        return match ($split) {
            'diagonal' => [
                ['id' => 'primary', 'stroke_ml' => 6.2, 'wheels' => ['lf', 'rr']],
                ['id' => 'secondary', 'stroke_ml' => 5.4, 'wheels' => ['rf', 'lr']],
            ],
            'front-rear' => [
                ['id' => 'primary', 'stroke_ml' => 6.2, 'wheels' => ['lf', 'rf']],
                ['id' => 'secondary', 'stroke_ml' => 5.4, 'wheels' => ['lr', 'rr']],
            ],
            default => [['id' => 'primary', 'stroke_ml' => 11.6, 'wheels' => ['lf', 'rf', 'lr', 'rr']]],
        };
    }

    /** @return array<string, mixed> */
    private static function front(string $kind): array
    {
        return 'drum' === $kind
            ? ['spring_n' => 150]
                    + self::DRUM + [
                        'bore_mm' => 25.4,
                        'stiffness_ml_per_kpa' => 0.00018,
                        'clearance_ml' => 0.75,
                        'radius_m' => 0.115,
                        'base_drag_nm' => 1.5,
                        'driveline_nm' => 0,
                        'parking_brake' => false,
                        'rotor_kg' => 6,
                        'loss_share' => 1,
                    ]
            : self::DISC + [
                'bore_mm' => 57,
                'stiffness_ml_per_kpa' => 0.00022,
                'clearance_ml' => 0.35,
                'radius_m' => 0.112,
                'base_drag_nm' => 2.5,
                'driveline_nm' => 6,
                'parking_brake' => false,
                'rotor_kg' => 6,
                'loss_share' => 1,
                'bleeders' => 'four-piston' === $kind ? 2 : 1,
            ];
    }

    /** @return array<string, mixed> */
    private static function rear(string $kind): array
    {
        return 'drum' === $kind
            ? self::DRUM + [
                'bore_mm' => 19.05,
                'stiffness_ml_per_kpa' => 0.00012,
                'clearance_ml' => 0.55,
                'radius_m' => 0.1,
                'base_drag_nm' => 1.5,
                'driveline_nm' => 0,
                'parking_brake' => true,
                'rotor_kg' => 3.5,
                'loss_share' => 0.86,
            ]
            : self::DISC + [
                'bore_mm' => 36,
                'stiffness_ml_per_kpa' => 0.00013,
                'clearance_ml' => 0.2,
                'radius_m' => 0.108,
                'base_drag_nm' => 2.0,
                'driveline_nm' => 0,
                'parking_brake' => true,
                'rotor_kg' => 3.5,
                'loss_share' => 0.86,
                'bleeders' => 'four-piston' === $kind ? 2 : 1,
                'piston_goes_back_straight' => \in_array($kind, self::WITH_HAT, true),
                'electric_parking' => 'electric' === $kind,
            ];
    }

    /**
     * @param array<array-key, mixed> $document
     * @param non-empty-list<string|int> $path
     *
     * @return array<array-key, mixed>
     */
    private static function put(array $document, array $path, float $value): array
    {
        $key = array_shift($path);
        $inner = $document[$key] ?? [];
        $document[$key] = [] === $path ? $value : self::put(\is_array($inner) ? $inner : [], $path, $value);

        return $document;
    }
}
