<?php

declare(strict_types=1);

namespace App\Tests\Browser;

/** Vehicles that are known in part: the part that applies is told, the rest is not asked. */
final class MachinesTest extends BrowserTestCase
{
    /** Two presses where eight belong: the gas is lost, told in bar and drawn; the bench knows no wheels of it. */
    public function testAMachineThatLostItsPreCharge(): void
    {
        $chrome = $this->chrome();
        $vehicle = new ModelAnswers('wet-disc-loader', 'stored-gas.lost@vehicle', 0);
        $chrome->signIn('fenwarren');
        $choices = ['split=front-rear', 'rear=disc', 'assist=oil-immersed', 'what=lamp'];
        $job = $this->openJob($chrome, 'Unit 64, loader', ...$choices);
        self::assertStringContainsString('no wheel ends', $chrome->text('.way-reach'));
        self::assertStringNotContainsString('Spin', $chrome->go("$job/checks")->text('main'));
        self::assertSame([], $chrome->go("$job/bench")->all('.drawing .rotor'));
        $chrome->go("$job/checks/applications@vehicle");
        foreach (['counted' => '2', 'wanted' => '8', 'each' => '30', 'gas' => '55 bar'] as $field => $typed) {
            $chrome->one("input[name=$field]")->sendKeys($typed);
        }
        $chrome->tap('.measured button.go');
        $chrome->go("$job/stored");
        self::assertStringContainsString('It has lost its charge', $chrome->text('h1'));
        self::assertCount(2, $chrome->all('.inboard tbody tr'));
        $chrome->go("$job/bench");
        $this->takeSuggestions($chrome, $vehicle);
        self::assertStringContainsString('Accumulator', $chrome->text('.bench-next h1'));
        $this->assertQuietConsole($chrome);
    }

    /**
     * The right rear of a lorry drags: its spring is caged and its air let out before a hand goes into the caliper, and
     * nothing is bled.
     */
    public function testAnAirDiscSeizedOnItsGuides(): void
    {
        $chrome = $this->chrome();
        $vehicle = new ModelAnswers('air-disc-lorry', 'air-slides.seized@rr', 2);
        $chrome->signIn('fenwarren');
        $choices = ['split=front-rear', 'rear=disc', 'assist=compressed-air', 'what=drags', 'where=rr'];
        $job = $this->openJob($chrome, 'Unit 65, light lorry', ...$choices);
        self::assertStringContainsString('no fluid', $chrome->text('.way-reach'));
        $chrome->go("$job/checks");
        $all = (string) $chrome->driver->executeScript("return document.querySelector('main').textContent;");
        self::assertStringNotContainsString('bleeder', $all);
        self::assertStringContainsString('Build up air', $all, 'folded by station');
        $chrome->go("$job/bench");
        $this->takeSuggestions($chrome, $vehicle, static function (Chrome $chrome) use ($job, $vehicle): void {
            $next = $chrome->all('.bench-next a.go.wide');
            $check = [] === $next ? '' : basename((string) $next[0]->getAttribute('href'));
            if (str_starts_with($check, 'slides-by-hand') || str_starts_with($check, 'adjuster-turned')) {
                $chrome->go("$job/checks/air-dumped@vehicle")->tap('.fork button:nth-of-type('
                    .$vehicle->keys('air-dumped@vehicle')[''].')');
                $chrome->go("$job/bench");
            }
        });
        self::assertStringContainsString('Air disc caliper', $chrome->text('.bench-next h1'));
        $this->assertQuietConsole($chrome);
    }
}
