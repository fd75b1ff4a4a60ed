<?php

declare(strict_types=1);

namespace Rodrel\Core\Tests\Vehicle;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rodrel\Core\InvalidData;
use Rodrel\Core\Tests\World;
use Rodrel\Core\Vehicle\Composer;
use Rodrel\Core\Vehicle\Layout;
use Rodrel\Core\Vehicle\PadWear;
use Rodrel\Core\Vehicle\Places;
use Rodrel\Core\Vehicle\WearLimit;
use Rodrel\Core\Vocabulary\Corner;

/** A vehicle from its parts, its own figures, and what is measured on it. */
final class ComposerTest extends TestCase
{
    private const CAR = [
        'split' => 'diagonal',
        'front' => 'disc',
        'rear' => 'drum',
        'assist' => 'engine-vacuum',
        'anti_lock' => true,
        'solid_axle' => false,
        'rear_valve' => false,
    ];

    /** The typical parts of a medium car brake like the preset: 67.6 mm and 5635 kPa (handbook). */
    public function testTheMediumCarFromItsParts(): void
    {
        $seen = World::press(Layout::fromArray(Composer::compose(self::CAR)), [], 150.0, [3.4]);
        self::assertEqualsWithDelta(67.6, $seen['3.40']['travel'], 1.4);
        self::assertEqualsWithDelta(5635.0, $seen['3.40']['kpa']['lf'], 112.0);
    }

    /** What only some vehicles have, by their plans: valves and levers in the handbook's own words. */
    public function testWhatOnlySomeHave(): void
    {
        $in = static fn (Places $all, string $of): array => array_map(strval(...), $all->in(World::layout($of)));
        self::assertSame(['front'], $in(Places::Metering, 'old-saloon'));
        self::assertSame([], $in(Places::Metering, 'medium-car'));
        self::assertSame(['vehicle'], $in(Places::PedalBooster, 'medium-car'));
        self::assertSame([], $in(Places::PedalBooster, 'line-booster'), 'its booster sits in the line');
        self::assertSame(['vehicle'], $in(Places::Remote, 'line-booster'));
        self::assertSame([], $in(Places::Remote, 'medium-car'));
        self::assertSame(['rear'], $in(Places::ParkingCable, 'medium-car'));
        self::assertSame(['vehicle'], $in(Places::VacuumPump, 'petrol-turbo'));
        self::assertSame([], $in(Places::EngineVacuum, 'petrol-turbo'));
        self::assertSame(['vehicle'], $in(Places::EngineVacuum, 'medium-car'));
        self::assertSame(['vehicle'], $in(Places::Split, 'medium-car'));
        self::assertSame([], $in(Places::Split, 'line-booster'), 'one chamber');
        self::assertSame(['rear'], $in(Places::RearValve, 'heavy-van'));
        self::assertSame(['rear'], $in(Places::LoadValve, 'heavy-van'));
        self::assertSame(['rear'], $in(Places::RearValve, 'old-saloon'));
        self::assertSame([], $in(Places::LoadValve, 'old-saloon'), 'its valve does not feel the load');
        self::assertSame([], $in(Places::RearValve, 'medium-car'), 'its anti-lock unit does that');
        self::assertSame(['primary'], $in(Places::ResidualCircuit, 'all-drum-single'));
        self::assertSame([], $in(Places::ResidualCircuit, 'medium-car'));
        self::assertSame([], $in(Places::Assist, 'all-drum-single'));
        self::assertSame([], $in(Places::Assist, 'unit-saloon'), 'stored pressure, no vacuum');
        self::assertSame(['vehicle'], $in(Places::Unit, 'unit-saloon'));
        self::assertSame([], $in(Places::Unit, 'medium-car'));
        self::assertSame(['front'], $in(Places::DiscAxle, 'medium-car'));
        self::assertSame(['front', 'rear'], $in(Places::DiscAxle, 'small-hatch'));
        self::assertSame([], $in(Places::DiscAxle, 'all-drum-single'));
        self::assertSame(['lr', 'rr'], $in(Places::Drum, 'medium-car'));
        self::assertSame(['lr', 'rr'], $in(Places::Hat, 'front-rear-discs'));
        self::assertSame([], $in(Places::Hat, 'small-hatch'), 'its rear pistons are wound');
        self::assertSame(['lr', 'rr'], $in(Places::BuiltIn, 'small-hatch'));
        self::assertSame([], $in(Places::BuiltIn, 'front-rear-discs'));
        self::assertSame(['lf', 'rf'], $in(Places::StraightPiston, 'small-hatch'));
        self::assertSame([], $in(Places::ElectricParking, 'small-hatch'));
        self::assertSame(['lr', 'rr'], $in(Places::ElectricParking, 'petrol-turbo'));
        self::assertSame([], $in(Places::ParkingCable, 'petrol-turbo'), 'motors, no cable');
        self::assertSame(['lf', 'rf', 'rear'], $in(Places::Hose, 'solid-axle-4x4'), 'one hose to the solid axle');
        foreach (['engine-vacuum' => 65.0, 'electric-pump' => 80.0] as $assist => $kpa) {
            $made = Composer::compose(['assist' => $assist] + self::CAR);
            self::assertSame([$kpa, 'electric-pump' === $assist], [
                (float) $made['booster']['vacuum_kpa'],
                $made['booster']['pump'],
            ]);
        }
    }

    public function testEveryPartIsWhereItBelongs(): void
    {
        $layout = Layout::fromArray(
            Composer::compose(
                [
                    'split' => 'front-rear',
                    'front' => 'four-piston',
                    'rear' => 'drum',
                    'solid_axle' => true,
                    'anti_lock' => false,
                    'rear_valve' => true,
                ] + self::CAR,
            ),
        );
        self::assertSame(['lf', 'rf', 'rear'], array_map(strval(...), Places::Hose->in($layout)));
        self::assertSame(['inner', 'outer'], $layout->brake(Corner::LeftFront)->bleeders());
        self::assertSame(['lr', 'rr'], array_keys($layout->pipework->valves));
        $electric = Layout::fromArray(Composer::compose(['rear' => 'electric'] + self::CAR));
        self::assertSame(['lr', 'rr'], array_map(strval(...), Places::ElectricParking->in($electric)));
        self::assertSame(
            ['lf', 'rf'],
            array_map(strval(...), Places::StraightPiston->in($electric)),
            'nobody pushes a motor back',
        );
        self::assertSame(
            [],
            array_map(
                strval(...),
                Places::Assist->in(Layout::fromArray(Composer::compose(['assist' => 'none'] + self::CAR))),
            ),
        );
    }

    /** Two layouts stand in the handbook, figure by figure; only the jump at the booster's valve is not in its rows. */
    public function testTheTypicalFiguresAreTheHandbooks(): void
    {
        $behind = ['split' => 'front-rear', 'rear' => 'built-in'];
        foreach (['medium-car' => self::CAR, 'front-rear-discs' => $behind + self::CAR] as $id => $parts) {
            $handbook = World::handbookDocument($id);
            $handbook['id'] = 'composed';
            $handbook['booster']['jump_out_n'] = 400;
            // 340 N of a firm press (540 N over the cut-in) are the jump's: 1 + (3.5 · 540 − 340)/540
            $handbook['booster']['gain'] = 3.87;
            $composed = Composer::compose($parts);
            foreach ($handbook as $key => $figures) {
                $own = \is_array($figures) ? array_intersect_key($composed[$key], $figures) : $composed[$key];
                if ('corners' === $key) {
                    foreach ($figures as $wheel => $figure) {
                        $own[$wheel] = array_intersect_key($own[$wheel], $figure);
                    }
                }
                self::assertEqualsWithDelta($figures, $own, 1e-12, "$id $key");
            }
        }
        self::assertSame([2, 1], array_map(
            static fn (string $of): int => Composer::compose(['front' => $of] + self::CAR)['corners']['lf']['bleeders'],
            ['four-piston', 'disc'],
        ));
    }

    /**
     * Half as large again, a piston takes 2.25 times the fluid for the same give and clearance, and a master moves 2.25
     * times as much in the same stroke. Both axles make the mass; one of them divides it.
     */
    public function testWhatFollowsFromAFigure(): void
    {
        $plain = Composer::compose(self::CAR);
        $wide = Composer::withFigures($plain, ['rear_bore_mm' => 1.5 * 19.05, 'master_bore_mm' => 33.3]);
        foreach (['stiffness_ml_per_kpa', 'clearance_ml', 'spring_n'] as $key) {
            $times = $wide['corners']['rr'][$key] / $plain['corners']['rr'][$key];
            self::assertEqualsWithDelta(2.25, $times, 1e-9, $key);
        }
        self::assertSame($plain['corners']['lf'], $wide['corners']['lf']);
        self::assertEqualsWithDelta(2.25 * 5.4, $wide['master']['chambers'][1]['stroke_ml'], 1e-9);
        $of = static fn (array $figures): array => Composer::withFigures($plain, $figures);
        self::assertSame(1500.0, $of(['front_axle_kg' => 900.0, 'rear_axle_kg' => 600.0])['mass_kg']);
        self::assertSame(0.6, $of(['front_axle_kg' => 900.0, 'rear_axle_kg' => 600.0])['front_share']);
        self::assertEqualsWithDelta(0.5, $of(['front_axle_kg' => 675.0])['front_share'], 1e-12);
        self::assertEqualsWithDelta(0.75, $of(['rear_axle_kg' => 337.5])['front_share'], 1e-12);
        self::assertSame(0.11, $of(['rear_radius_m' => 0.11])['corners']['lr']['radius_m']);
        self::assertSame(8.0, $of(['rotor_front_kg' => 8.0])['corners']['rf']['rotor_kg']);
        self::assertSame(70.0, $of(['vacuum_kpa' => 70.0])['booster']['vacuum_kpa']);
        self::assertSame(4.0, $of(['pedal_ratio' => 4.0])['pedal']['ratio']);
        $wrongs = [['mass_kg' => 299.0], ['mass_kg' => 9001.0], ['wings' => 2.0]];
        foreach ([...$wrongs, ['front_axle_kg' => 260.0], ['front_axle_kg' => 1230.0]] as $wrong) {
            try {
                $of($wrong);
                self::fail(json_encode($wrong).' was laid over it.');
            } catch (InvalidData $refused) {
                self::assertStringStartsWith('/figures/', $refused->path);
            }
        }
        self::assertSame(300.0, $of(['mass_kg' => 300.0])['mass_kg']);
        self::assertSame(9000.0, $of(['mass_kg' => 9000.0])['mass_kg']);
    }

    /** @param array<string, mixed> $parts */
    #[DataProvider('provideImpossible')]
    public function testWhatCannotBeIsRefusedWithItsReason(array $parts, string $path): void
    {
        try {
            Composer::compose($parts + self::CAR);
            self::fail('It was composed.');
        } catch (InvalidData $wrong) {
            self::assertSame($path, $wrong->path);
        }
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function provideImpossible(): iterable
    {
        yield 'one hose on two circuits' => [['solid_axle' => true], '/vehicle/diagonal-axle'];
        yield 'anti-lock on one circuit' => [['split' => 'single'], '/vehicle/single-anti-lock'];
        yield 'drums before discs' => [['front' => 'drum', 'rear' => 'disc'], '/vehicle/front-drum-rear-disc'];
        yield 'an electric parking brake without its unit' => [
            ['rear' => 'electric', 'anti_lock' => false],
            '/vehicle/electric-without-anti-lock',
        ];
        $open = ['anti_lock' => false];
        yield 'two that hold the rear back' => [['rear_valve' => true], '/vehicle/valve-and-anti-lock'];
        yield 'a booster in the line, and anti-lock' => [
            ['assist' => 'line-booster'],
            '/vehicle/line-booster-anti-lock',
        ];
        yield 'one for two circuits' => [['assist' => 'line-booster'] + $open, '/vehicle/line-booster-split'];
        yield 'a pump on one circuit' => [
            ['assist' => 'electric-pump', 'split' => 'single'] + $open,
            '/vehicle/pump-without-engine-vacuum',
        ];
        yield 'a unit without anti-lock' => [['assist' => 'pump-and-accumulator'] + $open, '/vehicle/unit-parts'];
        yield 'a unit before rear discs' => [
            ['assist' => 'pump-and-accumulator', 'rear' => 'built-in'],
            '/vehicle/unit-parts',
        ];
        yield 'air across' => [['assist' => 'compressed-air', 'rear' => 'disc'], '/vehicle/air-parts'];
        yield 'oil with anti-lock' => [
            ['assist' => 'oil-immersed', 'split' => 'front-rear', 'rear' => 'disc'],
            '/vehicle/wet-parts',
        ];
        yield 'an arm at a vehicle with anti-lock' => [['load_valve' => true], '/vehicle/valve-and-anti-lock'];
        yield 'a clutch on the oil of an axle' => [
            ['assist' => 'oil-immersed', 'split' => 'front-rear', 'rear' => 'disc', 'shared_clutch' => true] + $open,
            '/vehicle/shared-clutch-parts',
        ];
        yield 'what the model does not know' => [['assist' => 'by-wire'], '/vehicle/by-wire'];
        yield 'a word nobody knows' => [['rear' => 'wooden'], '/vehicle/rear'];
    }

    /** Bore 19.05 for 22.2 mm: the same rod force on (22.2/19.05)² = 1.358 times less area, 5635 becomes 7653 kPa. */
    public function testOwnFiguresAreUsed(): void
    {
        $own = Layout::fromArray(Composer::withFigures(World::handbookDocument(), ['master_bore_mm' => 19.05]));
        $seen = World::press($own, [], 150.0, [0.5]);
        self::assertEqualsWithDelta(7653.0, $seen['0.50']['kpa']['lf'], 153.0);
        $this->expectException(InvalidData::class);
        Composer::withFigures(World::catalogue()->presets['medium-car'], ['master_bore_mm' => 221.0]);
    }

    public function testALimitThatCannotBeIsQuestioned(): void
    {
        self::assertSame('within', WearLimit::ofDrum(229.4, 230.0)->word);
        self::assertSame('past-limit', WearLimit::ofDrum(230.2, 230.0)->word);
        self::assertTrue(WearLimit::ofDrum(229.4, 230.0)->plausible);
        self::assertFalse(WearLimit::ofDrum(229.4, 240.0)->plausible, 'a centimetre over the measured size is misread');
        self::assertSame('past-limit', WearLimit::ofRotor(19.8, 20.0)->word);
        self::assertEqualsWithDelta(1.5, WearLimit::ofRotor(21.5, 20.0)->leftMm, 1e-9);
    }

    public function testPadsTellWhichSideWorked(): void
    {
        self::assertSame('even', PadWear::of(6.0, 6.2, 6.5, 6.4)->word);
        self::assertSame('inner', PadWear::of(3.0, 3.2, 6.5, 6.4)->word);
        self::assertSame('outer', PadWear::of(7.0, 7.0, 4.0, 4.5)->word);
        self::assertSame('taper', PadWear::of(6.0, 4.5, 6.0, 6.0)->word);
        // 11 mm new, 5 mm left after 30 000 km: 6 mm worn, 3 mm to go, 15 000 km
        self::assertEqualsWithDelta(15000.0, (float) PadWear::of(5.0, 5.0, 5.5, 5.5)->kmLeft(11.0, 30000.0), 1e-6);
    }

    /** What applies the brakes bounds what is asked of them: nothing hydraulic on air, no wheel ends in oil. */
    public function testEveryKindIsAskedWhatItCanShow(): void
    {
        $ids = static function (string $preset): array {
            $layout = World::layout($preset);

            return array_map(static fn ($check): string => $check->id, array_values(array_filter(
                World::catalogue()->checks->all,
                static fn ($check): bool => [] !== $check->everywhere($layout),
            )));
        };
        $air = $ids('air-disc-lorry');
        $fluid = ['look', 'pedal', 'push-back', 'bleeder-open', 'hose-look', 'gauge'];
        self::assertSame([], array_intersect($fluid, $air));
        self::assertSame([], array_diff(['spin', 'air-build', 'spring-caged', 'rotor-round', 'wheel-speeds'], $air));
        $wet = $ids('wet-disc-loader');
        self::assertSame([], array_intersect(['spin', 'pads-left', 'look', 'bearing', 'heat-loop'], $wet));
        self::assertSame([], array_diff(['axle-oil', 'applications', 'gas-gauge', 'machine-hold'], $wet));
        $unit = $ids('unit-saloon');
        self::assertSame([], array_intersect(['strokes', 'vacuum-loss', 'booster-gauge', 'start-drop'], $unit));
        self::assertSame([], array_diff(['look', 'hose-top', 'unit-runs', 'discharge'], $unit));
        self::assertCount(14, World::catalogue()->presets);
    }
}
