<?php

declare(strict_types=1);

namespace Rodrel\Core\Tests\Physics;

use PHPUnit\Framework\TestCase;
use Rodrel\Core\Physics\Circuit;
use Rodrel\Core\Physics\Effects;
use Rodrel\Core\Physics\Program;
use Rodrel\Core\Physics\VehicleSimulator;
use Rodrel\Core\Tests\World;

final class EffectsTest extends TestCase
{
    private const FAULTS = [
        'wheel@lf' => ['air' => 2.0],
        'hose@rear' => ['gr' => 1e-3],
        'booster' => ['vacuum_kpa' => 30.0],
    ];

    public function testWhatIsElsewhere(): void
    {
        $faults = new Effects(self::FAULTS);
        self::assertSame(['hose@rear', 'booster'], array_keys($faults->awayFrom(['lf' => true])->all()));
        self::assertSame(['booster'], array_keys($faults->awayFrom(['lf' => true, 'rear' => true])->all()));
        self::assertSame($faults, $faults->awayFrom(['rf' => true]));
        self::assertSame(['wheel@lf', 'booster'], array_keys($faults->without(['hose', 'brake'])->all()));
        self::assertTrue($faults->without(['hose', 'wheel', 'booster'])->isNone());
        self::assertFalse($faults->isNone());
    }

    /** Where all faults lie in one circuit (lf and rr), every vehicle has the other one in common. */
    public function testTheOtherCircuitIsCommon(): void
    {
        $simulator = new VehicleSimulator(World::layout('medium-car'));
        $other = static fn (array $faults): Circuit => $simulator
            ->run(Program::stop(), new Effects($faults))
            ->circuits['secondary'];
        $sound = $other([]);
        self::assertSame($sound, $other(['wheel@lf' => ['air' => 2.0], 'hose@rr' => ['gr' => 1e-3]]));
        self::assertSame($sound, $other(['chamber@primary' => ['rest' => 0.1]]));
        $bubble = $other(['wheel@lf' => ['air' => 2.0], 'wheel@rf' => ['air' => 3.0]]);
        self::assertSame(3.0, $bubble->air[$bubble->node('wheel@rf')]);
        self::assertSame(0.0, $sound->air[$sound->node('wheel@rf')]);
        $thick = $other(['fluid' => ['flow' => 0.5]]);
        self::assertSame(0.5 * $sound->forward[1], $thick->forward[1], 'fluid is everywhere');
    }
}
