<?php

declare(strict_types=1);

namespace Rodrel\Core\Tests\Check;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rodrel\Core\Check\Plugs;
use Rodrel\Core\Physics\Effects;
use Rodrel\Core\Physics\Program;
use Rodrel\Core\Physics\VehicleSimulator;
use Rodrel\Core\Tests\World;

final class PlugsTest extends TestCase
{
    private const SHUT = ['gf' => 0.0, 'gr' => 0.0];

    /** A plug lets nothing by either way; with both master ports plugged a piston has no start of its own. */
    public function testWhatIsShut(): void
    {
        $plugs = new Plugs(World::layout('medium-car'));
        $at = static fn (string $kind): array => array_fill_keys(
            array_map(static fn (string $corner): string => "$kind@$corner", ['lf', 'rf', 'lr', 'rr']),
            self::SHUT,
        );
        self::assertEquals($at('pipe'), $plugs->in('modulator', Effects::none())->all());
        self::assertEquals($at('hose'), $plugs->in('hose', Effects::none())->all());
        $home = ['rest' => 0.0, 'start' => 0.0];
        self::assertEquals(
            [
                'master-line@primary' => self::SHUT,
                'master-line@secondary' => self::SHUT,
                'chamber@primary' => $home,
                'chamber@secondary' => $home,
            ],
            $plugs->in('master', Effects::none())->all(),
        );
    }

    /** What is before a plug stays, what is behind it is not asked; what sits nowhere in particular always counts. */
    public function testWhatIsBehind(): void
    {
        $faults = [
            'wheel@lf' => ['air' => 1.0],
            'hose-top@rf' => ['leak' => 1e-3],
            'modulator@lr' => ['air' => 2.0],
            'chamber@primary' => ['bypass_hard' => 1e-3],
            'fluid' => ['flow' => 0.5],
        ];
        $plugs = new Plugs(World::layout('medium-car'));
        $left = static fn (string $at): array => array_keys(array_intersect_key(
            $plugs->in($at, new Effects($faults))->all(),
            $faults,
        ));
        self::assertSame(['hose-top@rf', 'modulator@lr', 'chamber@primary', 'fluid'], $left('hose'));
        self::assertSame(['modulator@lr', 'chamber@primary', 'fluid'], $left('modulator'));
        self::assertSame(['chamber@primary', 'fluid'], $left('master'));
    }

    /**
     * The pedal cannot tell what is behind a plug: with the fault left in place it goes just as far and sinks as much.
     *
     * @param array<string, array<string, float>> $fault
     */
    #[DataProvider('behind')]
    public function testThePedalCannotTell(string $preset, string $at, array $fault): void
    {
        $layout = World::layout($preset);
        $simulator = new VehicleSimulator($layout);
        $plugs = new Plugs($layout);
        $hold = Program::hold(Program::FIRM_N, 30.0);
        $in = $simulator->run($hold, (new Effects($fault))->with($plugs->in($at, Effects::none())));
        $out = $simulator->run($hold, $plugs->in($at, new Effects($fault)));
        foreach ([Program::HOLD_1_S, Program::HOLD_END] as $sample) {
            self::assertEqualsWithDelta($in->travelMm($sample), $out->travelMm($sample), 1e-6);
        }
        self::assertGreaterThan(0.0, $out->travelMm(Program::HOLD_END));
    }

    /** @return iterable<string, array{string, string, array<string, array<string, float>>}> */
    public static function behind(): iterable
    {
        $leak = ['wheel@rr' => ['leak' => 1e-2]];
        $tight = ['pipe@lf' => ['gf' => 1e-3, 'gr' => 1e-3]];
        $air = ['modulator@lf' => ['air' => 3.0]];
        yield 'a wheel that leaks, hoses' => ['medium-car', 'hose', $leak];
        yield 'a wheel that leaks, modulator' => ['medium-car', 'modulator', $leak];
        yield 'a pipe that is crushed, modulator' => ['medium-car', 'modulator', $tight];
        yield 'a pipe that is crushed, master' => ['medium-car', 'master', $tight];
        yield 'air in the modulator, master' => ['medium-car', 'master', $air];
        yield 'behind one hose for the axle' => ['solid-axle-4x4', 'hose', $leak];
        yield 'stiff pins' => ['front-rear-discs', 'hose', ['brake@lf' => ['pins' => 800.0]]];
    }
}
