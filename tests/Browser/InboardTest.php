<?php

declare(strict_types=1);

namespace App\Tests\Browser;

use PHPUnit\Framework\Attributes\DataProvider;

/** What a foot feels and an eye sees at the bonnet, from the driver's words to what settles it. */
final class InboardTest extends BrowserTestCase
{
    /** @param list<string> $brakes */
    #[DataProvider('provideComplaints')]
    public function testAComplaintAtThePedal(
        array $brakes,
        string $preset,
        string $what,
        string $suspect,
        int $grade,
        string $repair,
    ): void {
        $chrome = $this->chrome();
        $vehicle = new ModelAnswers($preset, $suspect, $grade);
        $chrome->signIn('fenwarren');
        $this->openJob($chrome, 'Unit 51, '.$what, ...[...$brakes, 'what='.$what]);
        $this->takeSuggestions($chrome, $vehicle);
        self::assertStringContainsString('Repair this: '.$repair, $chrome->text('.bench-next h1'));
        $this->assertQuietConsole($chrome);
    }

    /** @return iterable<string, array{list<string>, string, string, string, int, string}> */
    public static function provideComplaints(): iterable
    {
        $car = ['split=diagonal', 'rear=drum'];
        yield 'fluid lost, nothing wet' => [
            $car, 'medium-car', 'level-falls', 'rear-seal.leaks@vehicle', 1, 'Master cylinder',
        ];
        yield 'hard by a check valve' => [
            $car, 'medium-car', 'weak', 'one-way-valve.blocked@vehicle', 3, 'Check valve',
        ];
        yield 'hard by a pump' => [
            ['split=diagonal', 'rear=disc', 'assist=electric-pump'],
            'petrol-turbo', 'weak', 'vacuum.fails@vehicle', 1, 'Vacuum pump',
        ];
        yield 'one chamber empty, its lamp' => [$car, 'medium-car', 'lamp', 'cylinder.leaks@lr', 3, 'Wheel cylinder'];
        $discs = ['split=front-rear', 'rear=disc'];
        yield 'an amber lamp by a chafed wire' => [
            $discs, 'front-rear-discs', 'lamp-amber', 'sensor.wire@lf', 0, 'Sensor wire, left front',
        ];
        yield 'a weak parking brake' => [
            $discs, 'front-rear-discs', 'parking-weak', 'hat-shoes.worn@lr', 0, 'Parking brake, left rear',
        ];
        yield 'a line booster with poor gain' => [
            ['split=single', 'rear=drum', 'anti_lock=no', 'assist=line-booster'],
            'line-booster', 'weak', 'remote.poor-gain@vehicle', 1, 'Line booster',
        ];
    }

    /** Low, dry, a firm pedal, pads at their limit: no leak is looked for any more, and nothing is topped up. */
    public function testALowLevelByWornPads(): void
    {
        $chrome = $this->chrome();
        $vehicle = new ModelAnswers('medium-car', 'pads.worn@front', 0);
        $chrome->signIn('fenwarren');
        $job = $this->openJob($chrome, 'Unit 54, tipper', 'split=diagonal', 'rear=drum', 'what=level-falls');
        $told = ['look@vehicle' => ['level' => 2, 'wet' => 1, 'lamp' => 2], 'pads-left@front' => ['' => 2]];
        foreach ($told as $check => $seen) {
            $chrome->go("$job/checks/$check");
            $this->answerSheet($chrome, $seen);
        }
        $chrome->go("$job/bench");
        $this->takeSuggestions($chrome, $vehicle);
        self::assertStringContainsString('Repair this: Pads, front', $chrome->text('.bench-next h1'));
        $chrome->go("$job/finding");
        self::assertStringContainsString('the missing fluid stands in the calipers', $chrome->text('h1'));
        $this->assertQuietConsole($chrome);
    }

    /** A modulator was fitted a week ago: the outlets are plugged before anything else is opened. */
    public function testSpongySinceANewModulator(): void
    {
        $chrome = $this->chrome();
        $vehicle = new ModelAnswers('medium-car', 'air.modulator@lf', 1);
        $chrome->signIn('fenwarren');
        $chrome->go('/jobs/new');
        $chrome->one('#unit')->sendKeys('Unit 55, small van');
        foreach (['split=diagonal', 'rear=drum', 'what=pedal-spongy'] as $choice) {
            [$name, $value] = explode('=', $choice);
            $chrome->touch("input[name=$name][value=$value]");
        }
        $chrome->touch('details.parts summary');
        foreach (['part' => 'modulator', 'place' => 'vehicle'] as $field => $value) {
            $chrome->touch(\sprintf('select[name="parts[0][%s]"] option[value=%s]', $field, $value));
        }
        $chrome->one('input[name="parts[0][weeks]"]')->sendKeys('1');
        $chrome->tap('button.go.wide');
        $this->takeSuggestions($chrome, $vehicle);
        self::assertStringContainsString('Repair this: Air in the modulator', $chrome->text('.bench-next h1'));
        $this->assertQuietConsole($chrome);
    }

    /**
     * Sinks dry: recorded on the strip, drawn over what the master's cup would do, signed after the outlets were
     * plugged.
     */
    public function testAPedalThatSinksDry(): void
    {
        $chrome = $this->chrome();
        $vehicle = new ModelAnswers('medium-car', 'cup.bypass@primary', 1);
        $chrome->signIn('fenwarren');
        $job = $this->openJob($chrome, 'Unit 52, post car', 'split=diagonal', 'rear=drum', 'what=pedal-sinks');
        foreach (['look@vehicle', 'pedal@vehicle'] as $check) {
            $chrome->go("$job/checks/$check");
            $this->answerSheet($chrome, $vehicle->keys($check));
        }
        $chrome->go("$job/pedal/firm");
        self::assertStringContainsString('Hold the pedal', $chrome->text('h1'));
        $read = $vehicle->keys('hold@vehicle');
        foreach (['five' => 5, 'fifteen' => 15, 'thirty' => 30] as $row => $second) {
            $chrome->one('[data-second="'.$second.'"]')->sendKeys((string) $read[$row]);
        }
        self::assertStringStartsWith(
            'M',
            (string) $chrome->one('.plot-line[data-kind=read]')->getAttribute('d'),
            'what is typed is drawn at once',
        );
        $chrome->tap('.answers button.go.wide');
        self::assertStringEndsWith('/pedal', $chrome->path());
        self::assertStringContainsString('It sinks on under a firm foot', $chrome->text('h1'));
        self::assertStringContainsString('Master lets fluid past its cup', $chrome->text('.pedal-suspects'));
        self::assertGreaterThanOrEqual(2, \count($chrome->all('.plot-table tbody tr')), 'the plot has its table');
        foreach (['level-held@primary', 'plug-master@vehicle'] as $check) {
            $chrome->go("$job/checks/$check");
            $this->answerSheet($chrome, $vehicle->keys($check));
        }
        $chrome->go("$job/bench");
        $this->takeSuggestions($chrome, $vehicle);
        self::assertStringContainsString('Repair this: Master cylinder', $chrome->text('.bench-next h1'));
        self::assertStringContainsString('Plugs in the lines', $chrome->text('.suspects'), 'plugs stay on the list');
        $chrome->go("$job/finding");
        self::assertStringContainsString('lets fluid past its cup, primary circuit', $chrome->text('h1'));
        self::assertStringContainsString('Shared clutch circuit', $chrome->text('.scope'));
        $chrome->agree('button.go.wide');
        self::assertStringContainsString('output rod against the master', $chrome->text('.steps'));
        $this->assertQuietConsole($chrome);
    }

    /** The other drawn figures say what was read: reservoir, vacuum, gauges, ladder. */
    public function testTheDrawnFigures(): void
    {
        $chrome = $this->chrome();
        $vehicle = new ModelAnswers('medium-car', 'one-way-valve.leaks@vehicle', 1);
        $chrome->signIn('tarrenby');
        $job = $this->openJob($chrome, 'Unit 53, forest car', 'split=diagonal', 'rear=drum', 'what=weak');
        $chrome->go("$job/vacuum");
        self::assertStringContainsString('Nothing read yet', $chrome->text('h1'));
        foreach (['look@vehicle', 'pedal@vehicle', 'vacuum-loss@vehicle'] as $check) {
            $chrome->go("$job/checks/$check");
            $this->answerSheet($chrome, 'look@vehicle' === $check
                ? ['level' => 3, 'wet' => 1, 'lamp' => 1]
                : $vehicle->keys($check));
        }
        // 65 kPa at a time constant of 40 s: 50.5 lost in a minute, nothing left after five
        $chrome->go("$job/vacuum");
        self::assertStringContainsString('It loses its vacuum: 0 assisted strokes', $chrome->text('h1'));
        self::assertStringContainsString('50', $chrome->text('.plot-table'));
        $chrome->go("$job/fluid");
        self::assertStringContainsString('Low: find where it went', $chrome->text('h1'));
        $chrome->go("$job/gauge");
        self::assertStringContainsString('No gauge read yet', $chrome->text('h1'));
        $chrome->go("$job/trace/rr");
        self::assertStringContainsString('No joint of the right rear', $chrome->text('h1'));
        self::assertCount(4, $chrome->all('.trace-joint'));
        $this->assertQuietConsole($chrome);
    }
}
