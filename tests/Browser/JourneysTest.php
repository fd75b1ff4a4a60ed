<?php

declare(strict_types=1);

namespace App\Tests\Browser;

use PHPUnit\Framework\Attributes\DataProvider;

/** Jobs as they come in, from the complaint to what settles them; the hidden fault is known to the test alone. */
final class JourneysTest extends BrowserTestCase
{
    /** Of a caliper with its hose, the axle's rotors and pads, on a phone; rechecks apart. */
    private const VISIT_TAPS = 65;
    /** The form's number draws the vehicle: this one is looked at, pressed, and then raised. */
    private const PRACTICE = '0190f000-0000-7000-8000-000000000003';

    /** Small shoes drag in the hat of the left rear disc: four temperatures before and after, on the same loop. */
    public function testAHotRearWheelMeasuredBeforeAndAfter(): void
    {
        $chrome = $this->chrome();
        $vehicle = new ModelAnswers('front-rear-discs', 'hat-shoes.drag@lr', 0);
        $chrome->signIn('fenwarren');
        $job = $this->openJob(
            $chrome,
            'Unit 16, gate keeper\'s car',
            'split=front-rear',
            'rear=disc',
            'what=drags',
            'where=lr',
        );
        foreach (['look@vehicle', 'pedal@vehicle', 'spin@vehicle'] as $check) {
            $chrome->go("$job/checks/$check");
            $this->answerSheet(
                $chrome,
                'look@vehicle' === $check ? ['level' => 1, 'wet' => 1, 'lamp' => 1] : $vehicle->keys($check),
            );
        }
        $chrome->go("$job/checks/heat-loop@vehicle");
        $this->answerSheet($chrome, $vehicle->keys('heat-loop@vehicle'));
        $chrome->go("$job/heat");
        self::assertMatchesRegularExpression('/Left rear: (\d+) N·m of drag/i', $chrome->text('h1'));
        preg_match('/(\d+) N·m/', $chrome->text('h1'), $nm);
        self::assertEqualsWithDelta(8.0, (float) $nm[1], 3.0, 'the shoes drag with 8 N·m');
        $chrome->go("$job/bench");
        $this->takeSuggestions($chrome, $vehicle);
        self::assertStringContainsString('Parking brake, left rear', $chrome->text('.bench-next h1'));
        $this->signAndRepair($chrome, $job);
        $vehicle->repaired();
        $chrome->go("$job/proof");
        $this->proveAll($chrome, $vehicle);
        self::assertStringContainsString('The same loop, no wheel hot or cold', $chrome->text('.proof'));
        $chrome->go("$job/heat");
        self::assertStringContainsString('after the repair', $chrome->text('.heat-round[data-latest]'));
        self::assertStringContainsString('Nothing hotter or cooler', $chrome->text('h1'));
        self::assertCount(
            4,
            $chrome->all('.heat-round[data-latest] .heat-was'),
            'before and after lie over each other',
        );
        $this->assertQuietConsole($chrome);
    }

    /**
     * The rear locks early on a car whose leaking cylinder soaked its shoes (a van's rear valve would keep it from
     * locking), and the cylinder's sheet in both schools' ways.
     */
    public function testARearThatLocksEarly(): void
    {
        $chrome = $this->chrome();
        $vehicle = new ModelAnswers('medium-car', 'cylinder.leaks@lr', 5);
        $chrome->signIn('tarrenby');
        $job = $this->openJob(
            $chrome,
            'Unit 18, warden\'s car',
            'split=diagonal',
            'rear=drum',
            'anti_lock=yes',
            'what=locks',
            'where=rear',
        );
        $this->takeSuggestions($chrome, $vehicle);
        self::assertStringContainsString('Wheel cylinder, left rear', $chrome->text('.bench-next h1'));
        $chrome->go("$job/finding");
        self::assertStringContainsString('Shoes', $chrome->text('.scope'));
        $chrome->agree('button.go.wide');
        self::assertStringContainsString('Springs and shoes off, laid out as they were', $chrome->text('.steps'));
        self::assertStringNotContainsString('slipped out past the shoes', $chrome->text('.steps'));
        $chrome->tap('.steps .muted a[href$="way=slip-past"]');
        self::assertStringContainsString('slipped out past the shoes', $chrome->text('.steps'));
        self::assertStringNotContainsString('Springs and shoes off', $chrome->text('.steps'));
        $this->assertQuietConsole($chrome);
    }

    public function testWheelsThatDragOnlyWithTheEngineRunning(): void
    {
        $chrome = $this->chrome();
        $vehicle = new ModelAnswers('petrol-turbo', 'booster.holds@vehicle', 2);
        $chrome->signIn('fenwarren');
        $this->openJob(
            $chrome,
            'Unit 20, warden\'s estate',
            'split=diagonal',
            'rear=disc',
            'assist=electric-pump',
            'what=drags',
            'where=all',
            'pattern=engine-only',
        );
        $this->takeSuggestions($chrome, $vehicle);
        self::assertStringContainsString('Booster', $chrome->text('.bench-next h1'));
        $this->assertQuietConsole($chrome);
    }

    /** The caliper was new three weeks ago and the wheel drags as before: it was the hose. */
    public function testANewCaliperThatDidNotCure(): void
    {
        $chrome = $this->chrome();
        $vehicle = new ModelAnswers('medium-car', 'hose.one-way@lf', 10);
        $chrome->signIn('fenwarren');
        $chrome->go('/jobs/new');
        $chrome->driver->executeScript("document.querySelector('details.parts').open = true;");
        foreach (
            [
                '[name="parts[0][part]"]' => 'caliper',
                '[name="parts[0][place]"]' => 'lf',
                '[name="parts[0][weeks]"]' => '3',
            ] as $css => $value
        ) {
            $chrome->driver->executeScript('document.querySelector(arguments[0]).value = arguments[1];', [
                $css,
                $value,
            ]);
        }
        $chrome->one('#unit')->sendKeys('Unit 22, post van');
        foreach (['split=diagonal', 'rear=drum', 'what=drags', 'where=lf'] as $choice) {
            [$name, $value] = explode('=', $choice);
            $chrome->touch("input[name=$name][value=$value]");
        }
        $chrome->tap('button.go.wide');
        $job = (string) preg_replace('~/(bench|round)$~', '', $chrome->path());
        $this->takeSuggestions($chrome, $vehicle);
        self::assertStringContainsString('Hose, left front', $chrome->text('.bench-next h1'));
        $chrome->go("$job/finding");
        self::assertStringContainsString('that part is new and the wheel drags as before', $chrome->text('.finding'));
        $this->assertQuietConsole($chrome);
    }

    /** A caliper with its hose, rotors and pads on both sides: one list, one sheet on a phone, one bleed run. */
    public function testSeveralPartsInOneVisit(): void
    {
        $vehicle = new ModelAnswers('medium-car', 'piston.stuck-out@lf', 4);
        $chrome = $this->chrome(390, 844, true)->signIn('fenwarren');
        $chrome->taps = $chrome->pages = 0;
        $job = $this->openJob($chrome, 'Unit 72, ferry van', 'split=diagonal', 'rear=drum', 'what=drags', 'where=lf');
        $this->takeSuggestions($chrome, $vehicle);
        $chrome->tap('.bench-next a.go.wide');
        foreach (['hose@lf', 'pads@front', 'rotor@front'] as $line) {
            $chrome->touch('.sign-lines [name="lines['.$line.']"]');
        }
        $chrome->agree('form button.go.wide');
        self::assertStringEndsWith('/repair', $chrome->path());
        self::assertStringContainsString('Rotors, front axle', $chrome->text('.sheet-also'));
        $lines = \count($chrome->all('.steps ol > li'));
        self::assertLessThan(19 + 15 + 16 + 18, $lines, 'four sheets in one');
        self::assertGreaterThan(19, $lines);
        self::assertSame(1, \count($chrome->all('#step-photograph')));
        $this->recordSheet($chrome);
        self::assertStringEndsWith('/bleed', $chrome->path());
        foreach (['plate', 'fluid'] as $field) {
            $chrome->touch('input[name='.$field.']');
        }
        $chrome->tap('form button.go.wide');
        $order = $chrome->all('.bleed-order > li');
        $wheels = implode(' ', array_map(static fn ($one): string => $one->getText(), $order));
        self::assertStringContainsString('Left front', $wheels);
        self::assertStringNotContainsString('Right front', $wheels);
        self::assertStringNotContainsString('rear', $wheels);
        $this->bleedProveAndHandOver($chrome, $vehicle, $job);
        $report = $chrome->text('.report');
        $rotors = 'Replace both rotors of the axle, front axle';
        foreach (['Replace the caliper, left front', $rotors, 'Handed over'] as $said) {
            self::assertStringContainsString($said, $report);
        }
        self::assertLessThanOrEqual(self::VISIT_TAPS, $chrome->taps, 'from an empty intake to the report');
        $this->assertQuietConsole($chrome);
    }

    /**
     * The other visits: what is signed and put on the list becomes one sheet that can be ticked to its end, and what is
     * bled follows from all of it.
     *
     * @param list<string> $vehicle tiles of the intake
     * @param list<string> $lines
     * @param list<string> $bled bleeders in order; none where there is nothing to bleed
     */
    #[DataProvider('provideVisits')]
    public function testAVisitOfSeveralParts(
        string $unit,
        array $vehicle,
        string $finding,
        array $lines,
        array $bled,
        bool $renew,
    ): void {
        $chrome = $this->chrome(390, 844, true)->signIn('fenwarren');
        $job = $this->openJob($chrome, $unit, ...$vehicle);
        if ([] === $bled) {
            // before a hand goes in at an air brake; there is no fluid to look at
            $chrome->go("$job/checks/air-dumped@vehicle");
            $this->openGates($chrome);
            $chrome->tap('.fork button:nth-of-type(1)');
        } else {
            $chrome->go("$job/checks/look@vehicle");
            $this->answerSheet($chrome, ['level' => 1, 'wet' => 1, 'lamp' => 1]);
        }
        $chrome->go("$job/finding?group=$finding");
        if ([] !== $chrome->all('textarea[name=against]')) {
            $chrome->type('textarea[name=against]', 'seen at the last service');
        }
        $chrome->agree('form button.go.wide');
        $chrome->go("$job/work");
        foreach ($lines as $line) {
            $offered = $chrome->all('.work-offered form:has([name=group][value="'.$line.'"]) button');
            if ([] === $offered) {
                $choose = 'document.querySelector("select[name=group]").value = arguments[0];';
                $chrome->driver->executeScript($choose, [$line]);
                $chrome->tap('form:has(select[name=group]) button');
                continue;
            }
            $chrome->tap('.work-offered form:has([name=group][value="'.$line.'"]) button');
        }
        self::assertCount(1 + \count($lines), $chrome->all('.work-in .work-lines > li'));
        $chrome->tap('.work-in a.go.wide');
        $this->recordSheet($chrome);
        if ([] === $bled) {
            self::assertStringEndsWith('/proof', $chrome->path());

            return;
        }
        self::assertStringEndsWith('/bleed', $chrome->path());
        $purpose = 'return document.querySelector("[name=purpose]:checked").value;';
        self::assertSame($renew ? 'renew' : 'opened', $chrome->driver->executeScript($purpose));
        foreach (['plate', 'fluid'] as $field) {
            $chrome->touch('input[name='.$field.']');
        }
        $chrome->tap('form button.go.wide');
        self::assertSame($bled, array_map(
            static fn ($one): string => mb_strtolower($one->getText()),
            $chrome->all('.bleed-order > li > b'),
        ));
        $this->assertQuietConsole($chrome);
    }

    /** @return iterable<string, array{string, list<string>, string, list<string>, list<string>, bool}> */
    public static function provideVisits(): iterable
    {
        $car = ['split=diagonal', 'rear=drum', 'what=level-falls'];
        $all = ['right rear', 'left rear', 'right front', 'left front'];
        yield 'two cylinders, linings, fluid throughout' => [
            'Unit 73, seed van', $car, 'cylinder@lr',
            ['cylinder@rr', 'shoes@lr', 'shoes@rr', 'flush@vehicle'], $all, true,
        ];
        yield 'a master with a wet booster' => [
            'Unit 74, nursery car', $car, 'master@vehicle', ['booster@vehicle', 'check-valve@vehicle'],
            [...$all, 'clutch'], false,
        ];
        yield 'an air disc with its pads and their wire' => [
            'Unit 75, timber lorry',
            ['assist=compressed-air', 'split=front-rear', 'rear=disc', 'what=drags', 'where=rr'],
            'air-caliper@rr',
            ['air-pads@rear', 'pad-wire@rear'],
            [],
            false,
        ];
    }

    public function testAPracticeVehicleAnswersItsSheets(): void
    {
        $chrome = $this->chrome();
        $chrome->signIn('tarrenby')->go('/glossary');
        $form = 'form[action$="/practice"]';
        $chrome->driver->executeScript('document.querySelector(arguments[0]).value = arguments[1];', [
            $form.' [name=entry]',
            self::PRACTICE,
        ]);
        $chrome->tap("$form button");
        self::assertStringContainsString('an invented vehicle', $chrome->text('.way-practice'));
        $bench = $chrome->path();
        $before = \count($chrome->all('.trail-list form'));
        $shows = "return document.querySelector('.practice b').innerText.startsWith('It shows');";
        for ($n = 0; $n < 3; ++$n) {
            // what it wants first, on the Bench or on a sheet
            if ([] === $chrome->go($bench)->all('.bench-next .practice')) {
                $chrome->tap('.bench-next a.go.wide');
            }
            $this->openGates($chrome);
            $chrome->touch('.practice button');
            $chrome->driver->wait(10, 100)->until(static fn (): bool => $chrome->driver->executeScript($shows));
            $named = "return document.activeElement.name === 'word[0]' ? document.activeElement.value : '';";
            $word = $chrome->driver->executeScript($named);
            if ('' !== $word) {
                $chrome->tap('.fork button[value="'.$word.'"]');
                continue;
            }
            $rows = \count($chrome->all('.answer-row[data-row]'));
            self::assertCount($rows, $chrome->all('.answer-row[data-row] input:checked'), 'every row');
            $chrome->tap('.answers button[data-key=enter].wide');
        }
        self::assertCount($before + 3, $chrome->go($bench)->all('.trail-list form'), 'each was recorded');
        $this->assertQuietConsole($chrome);
    }

    private function signAndRepair(Chrome $chrome, string $job): void
    {
        $chrome->go("$job/finding")->agree('form button.go.wide');
        $this->recordSheet($chrome);
        $chrome->go('/')->tap('.head-who form[action$=sign-out] button');
        $chrome->signIn('tarrenby')->go("$job/repair");
        while ([] !== $chrome->all('.steps input[value=confirm]')) {
            $chrome->tap('.steps form:has(input[value=confirm]) button');
        }
    }
}
