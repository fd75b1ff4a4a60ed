<?php

declare(strict_types=1);

namespace App\Tests\Browser;

use Rodrel\Core\Quantity\InstrumentReading;
use Rodrel\Core\Quantity\Unit;

/** What is measured at the wheels: from a shake to its hub, and half an hour to a condition report. */
final class WheelsTest extends BrowserTestCase
{
    /** The dial is read twice, one bolt hole apart: the high spot stays with the hub. */
    public function testAShakeToTheHub(): void
    {
        $chrome = $this->chrome();
        $vehicle = new ModelAnswers('medium-car', 'hub.rusty@rf', 0);
        $chrome->signIn('fenwarren');
        $job = $this->openJob($chrome, 'Unit 61, pool car', 'split=diagonal', 'rear=drum', 'what=shakes');
        foreach (['look@vehicle', 'pedal@vehicle', 'spin@vehicle', 'road-shake@vehicle'] as $check) {
            $chrome->go("$job/checks/$check");
            $this->answerSheet($chrome, $vehicle->keys($check));
        }
        $chrome->go("$job/checks/rotor-round@rf");
        $this->openGates($chrome);
        $figures = [
            't' => ['22.00', '22.01', '22.01', '22.00', '22.00', '22.01', '22.01', '22.00'],
            'f' => ['0', '0.01', '0.05', '0.09', '0.10', '0.09', '0.05', '0.01'],
            'u' => ['0.03', '0.08', '0.10', '0.09', '0.06', '0.02', '0', '0.01'],
        ];
        foreach ($figures as $row => $values) {
            foreach ($values as $n => $typed) {
                $chrome->one("input[name=$row".($n + 1).']')->sendKeys($typed);
            }
        }
        $chrome->tap('.measured button.go');
        $chrome->go("$job/measure");
        self::assertStringContainsString('the high spot stays with the hub', $chrome->text('h1'));
        self::assertCount(3, $chrome->all('.clock-line'));
        $chrome->go("$job/bench");
        $this->takeSuggestions($chrome, $vehicle);
        self::assertStringContainsString('Hub face, right front', $chrome->text('.bench-next h1'));
        $this->assertQuietConsole($chrome);
    }

    /** No sensor is bought for a wire: the code names a corner, the plug and its wire are looked at. */
    public function testOneAmberLampToAChafedWire(): void
    {
        $chrome = $this->chrome()->signIn('fenwarren');
        $vehicle = new ModelAnswers('medium-car', 'sensor.wire@lf', 0);
        $this->openJob($chrome, 'Unit 62, ranger car', 'split=diagonal', 'rear=drum', 'what=lamp-amber');
        $asked = [];
        $this->takeSuggestions($chrome, $vehicle, static function (Chrome $chrome) use (&$asked): void {
            $asked[] = $chrome->text('h1');
        });
        self::assertStringContainsString('Sensor wire, left front', $chrome->text('.bench-next h1'));
        self::assertContains('Read the codes', $asked);
        $this->assertQuietConsole($chrome);
    }

    public function testAWeakParkingBrakeToItsCable(): void
    {
        $chrome = $this->chrome()->signIn('fenwarren');
        $vehicle = new ModelAnswers('medium-car', 'parking-cable.slack@rear', 0);
        $this->openJob($chrome, 'Unit 63, kiosk van', 'split=diagonal', 'rear=drum', 'what=parking-weak');
        $this->takeSuggestions($chrome, $vehicle);
        self::assertStringContainsString('Parking-brake cable', $chrome->text('.bench-next h1'));
        $this->assertQuietConsole($chrome);
    }

    /** 9.4 mm at 40 000 km, 7.9 at 47 500, 6.4 at 55 000: 0.2 mm a thousand; 4.4 mm above the least last 22 000 km. */
    public function testThreeVisitsAndTheKilometresLeft(): void
    {
        $chrome = $this->chrome()->signIn('fenwarren');
        $job = '';
        foreach ([[9.4, '40000'], [7.9, '47500'], [6.4, '55000']] as [$mm, $km]) {
            $job = $this->openJob($chrome, 'Unit 64, mail car', 'split=diagonal', 'rear=drum', 'what=none');
            $chrome->go("$job/checks/wear@lf");
            $this->openGates($chrome);
            foreach (['inner_a' => 0.0, 'inner_b' => 0.0, 'outer_a' => 1.0, 'outer_b' => 1.0] as $end => $more) {
                $chrome->one("input[name=$end]")->sendKeys((string) ($mm + $more));
            }
            $chrome->one('input[name=km]')->sendKeys($km);
            $chrome->tap('.measured button.go');
        }
        $chrome->go("$job/measure");
        $said = $chrome->text('.measure-corner.at-lf');
        self::assertMatchesRegularExpression('/4\.4 mm to go, about 22.000 km/u', $said);
        $chrome->go("$job/bench")->tap('.head-title a');
        self::assertCount(3, $chrome->all('.stamp:first-of-type circle'), 'three visits in one plot');
        $chrome->tap('a[href*="/jobs/new?vehicle="]');
        self::assertStringContainsString('left front 4.4 mm', $chrome->text('form.intake'), 'the next begins so');
    }

    /** A gauge's reading is offered to the sheet that takes its kind, taken by one tap, and recorded as typed. */
    public function testAnInstrumentSpeaksToTheSheet(): void
    {
        $chrome = $this->chrome();
        $chrome->signIn('aldershaw');
        $chrome->go('/shop')->tap('form[action$="/shop/instruments"] button');
        $token = $chrome->text('.token code');
        $job = $this->openJob($chrome, 'Unit 63, pool car', 'split=diagonal', 'rear=drum', 'what=pedal-long');
        $chrome->go("$job/checks/pedal@vehicle");
        $line = InstrumentReading::line(Unit::Millimetre, 84.5, 'Pedal ruler', new \DateTimeImmutable());
        $said = file_get_contents(getenv('RODREL_TEST_URL').'/instruments/readings', context: stream_context_create([
            'http' => [
                'method' => 'POST', 'content' => $line,
                'header' => "Authorization: Bearer $token\r\nContent-Type: application/x-ndjson",
            ],
        ]));
        self::assertSame('{"accepted":1,"refused":[]}', $said);
        $chrome->driver->wait(5, 100)->until(static fn (): bool => [] !== $chrome->all('.offers button.go'));
        $chrome->touch('.offers button.go');
        self::assertSame('84.5 mm', $chrome->one('.reading-input')->getAttribute('value'));
        $chrome->touch('input[name="word[sink]"][value=none]');
        $chrome->tap('.answers > button.go.wide');
        self::assertStringContainsString('84.5', $chrome->go("$job/bench")->text('.trail'));
        $this->assertQuietConsole($chrome);
    }

    /** Nobody complains: pads by the thumb's steps, limits typed, and what is due in words and money. */
    public function testAConditionReport(): void
    {
        $chrome = $this->chrome();
        $vehicle = new ModelAnswers('front-rear-discs', 'nothing.wrong@vehicle', 0);
        $chrome->signIn('fenwarren');
        $job = $this->openJob($chrome, 'Unit 62, pool car', 'split=front-rear', 'rear=disc', 'what=none');
        foreach (['look@vehicle', 'pedal@vehicle', 'spin@vehicle'] as $check) {
            $chrome->go("$job/checks/$check");
            $this->answerSheet($chrome, $vehicle->keys($check));
        }
        $chrome->go("$job/checks/wear@lf");
        $this->openGates($chrome);
        foreach (['inner_a' => '1.9', 'inner_b' => '2.1', 'outer_a' => '2.4', 'outer_b' => '2.4'] as $spot => $mm) {
            $chrome->one("input[name=$spot]")->sendKeys($mm);
        }
        $chrome->touch('.gauge button[value="0.1"]');
        self::assertSame('2', $chrome->one('input[name=inner_a]')->getAttribute('value'), 'a tenth more');
        $chrome->one('input[name=km]')->sendKeys('88000');
        $chrome->tap('.measured button.go');
        $chrome->go("$job/condition");
        self::assertStringContainsString('One thing has to be done now', $chrome->text('h1'));
        $now = $chrome->text('[data-due=now]');
        self::assertMatchesRegularExpression('/Pads, left front.*2 mm.*Replace the pads/s', $now);
        $chrome->tap('.head-title a');
        self::assertStringContainsString('88', $chrome->text('.stamps'));
        $this->assertQuietConsole($chrome);
    }
}
