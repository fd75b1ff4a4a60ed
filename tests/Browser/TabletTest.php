<?php

declare(strict_types=1);

namespace App\Tests\Browser;

/** On a tablet held upright, by touch. */
final class TabletTest extends BrowserTestCase
{
    public function testASeizedPistonByTouch(): void
    {
        $chrome = $this->chrome(800, 1280, true);
        $vehicle = new ModelAnswers('front-rear-discs', 'piston.stuck-out@rf', 5);
        $chrome->signIn('tarrenby');
        $chrome->tap('.jobs-bar a.go');
        $chrome->one('#unit')->sendKeys('Unit 08, small van');
        foreach (['split=front-rear', 'rear=disc', 'what=drags', 'where=rf'] as $choice) {
            [$name, $value] = explode('=', $choice);
            $chrome->touch("input[name=$name][value=$value]");
        }
        $chrome->tap('button.go.wide');
        $this->takeSuggestions($chrome, $vehicle, function (Chrome $chrome): void {
            $this->assertNextIsInSight($chrome);
            $this->assertTargetsAreLarge($chrome);
        });
        self::assertStringContainsString('Repair this: Caliper, right front', $chrome->text('.bench-next h1'));
        self::assertGreaterThanOrEqual(
            0,
            $chrome->driver->executeScript(
                'return document.documentElement.clientWidth - document.documentElement.scrollWidth;',
            ),
            'nothing sticks out sideways',
        );
        $this->assertQuietConsole($chrome);
    }

    public function testReadingsThatContradictEachOtherAreShownAndCanBeTakenAgain(): void
    {
        $chrome = $this->chrome(800, 1280, true);
        $chrome->signIn('fenwarren');
        $chrome->go('/jobs/new');
        $chrome->one('#unit')->sendKeys('Unit 09, tipper');
        foreach (['split=diagonal', 'rear=drum', 'what=drags', 'where=lf'] as $choice) {
            [$name, $value] = explode('=', $choice);
            $chrome->touch("input[name=$name][value=$value]");
        }
        $chrome->tap('button.go.wide');
        $job = (string) preg_replace('~/(bench|round)$~', '', $chrome->path());
        $this->sheet($chrome, $job, 'spin@vehicle', [4, 1, 1, 1]);
        $this->sheet($chrome, $job, 'bleeder-open@lf', [2]);
        $this->sheet($chrome, $job, 'hose-top@lf', [3]);
        $this->sheet($chrome, $job, 'push-back@lf', [4]);
        $plate = $chrome->text('.contradiction');
        self::assertStringContainsString('cannot all be true', $plate);
        self::assertMatchesRegularExpression(
            '/Take again: (Open the bleeder|Loosen the hose|Push the piston|Press, let go)/',
            $plate,
        );
        self::assertSame([], $chrome->all('.bench-next .kicker + h1'), 'one thing is first: taking again');
        $this->sheet($chrome, $job, 'push-back@lf', [3]);
        self::assertSame([], $chrome->all('.contradiction'));
        $this->assertQuietConsole($chrome);
    }

    /** A label opens its vehicle, another shop's code opens nothing; the detector is told what the camera sees. */
    public function testALabelIsReadWithTheCamera(): void
    {
        $chrome = $this->chrome()->signIn('fenwarren')->go('/');
        $chrome->go((string) parse_url((string) $chrome->one('.job-line')->getAttribute('href'), \PHP_URL_PATH));
        $vehicle = (string) parse_url((string) $chrome->one('.head-title a')->getAttribute('href'), \PHP_URL_PATH);
        $chrome->driver->executeCustomCommand('/session/:sessionId/goog/cdp/execute', 'POST', [
            'cmd' => 'Page.addScriptToEvaluateOnNewDocument',
            'params' => ['source' => <<<'JS'
                globalThis.seen = 'https://elsewhere.example/vehicles';
                globalThis.BarcodeDetector = class {
                    async detect() {
                        return [{ rawValue: globalThis.seen }];
                    }
                };
                const screen = document.createElement('canvas').captureStream();
                Object.defineProperty(navigator, 'mediaDevices', { value: { getUserMedia: async () => screen } });
                HTMLMediaElement.prototype.play = async () => {};
                JS],
        ]);
        $chrome->go('/')->touch('.label-reader > button');
        $said = '.label-reader .label-said';
        $chrome->driver->wait(9, 100)->until(static fn (): bool => $chrome->one($said)->isDisplayed());
        self::assertStringContainsString('opens no vehicle', $chrome->text($said));
        $chrome->driver->executeScript('globalThis.seen = arguments[0];', ["http://shed.example:8080$vehicle"]);
        $chrome->driver->wait(9, 100)->until(static fn (): bool => $vehicle === $chrome->path());
        self::assertStringEndsWith($vehicle, $chrome->path());
    }

    public function testTwoTechniciansAtOneJobSeeEachOthersEntries(): void
    {
        $chrome = $this->chrome();
        $chrome->signIn('fenwarren')->go('/jobs/new');
        $chrome->one('#unit')->sendKeys('Unit 10, loader');
        foreach (['split=diagonal', 'rear=drum', 'what=weak'] as $choice) {
            [$name, $value] = explode('=', $choice);
            $chrome->touch("input[name=$name][value=$value]");
        }
        $chrome->tap('button.go.wide');
        $path = $chrome->path();
        $other = Chrome::open((string) getenv('RODREL_TEST_URL'), (string) getenv('RODREL_TEST_DRIVER'));
        $other->signIn('tarrenby')->go((string) preg_replace('~/(bench|round)$~', '/items', $path));
        $other->one('[name=text]')->sendKeys('Prop on the pedal');
        $other->tap('.inline-form button');
        $other->quit();
        $chrome->driver->wait(9, 200)->until(static fn (): bool => $chrome->one('.news')->isDisplayed());
        self::assertStringContainsString('O. Tarrenby added: Open item', $chrome->text('.news'));
    }

    /** @param list<int> $answers */
    private function sheet(Chrome $chrome, string $job, string $check, array $answers): void
    {
        $chrome->go("$job/checks/$check");
        $this->openGates($chrome);
        if (1 === \count($answers)) {
            $chrome->tap('.fork button:nth-of-type('.$answers[0].')');

            return;
        }
        foreach ($answers as $row => $answer) {
            $chrome->touch('[data-row]:nth-of-type('.($row + 1).') .tile:nth-of-type('.$answer.') input');
        }
        $chrome->tap('.answers button.wide');
    }

    /** The one thing to do is the first thing after the stages, large, and on the screen without scrolling. */
    private function assertNextIsInSight(Chrome $chrome): void
    {
        /** @var array{float, float, float} $box */
        $box = $chrome->driver->executeScript(
            'const h = document.querySelector("main h1"); const r = h.getBoundingClientRect(); return '
                .'[r.top, r.bottom, parseFloat(getComputedStyle(h).fontSize)];',
        );
        self::assertGreaterThanOrEqual(28.0, $box[2]);
        self::assertGreaterThanOrEqual(0.0, $box[0]);
        self::assertLessThan(1280.0, $box[1]);
    }

    private function assertTargetsAreLarge(Chrome $chrome): void
    {
        $small = $chrome->driver->executeScript(
            <<<'JS'
            return [...document.querySelectorAll('main button, main a.go, main .tile, main .others a, .way ol a')]
                .map((e) => [e.innerText.trim().slice(0, 30), e.getBoundingClientRect()])
                .filter(([, r]) => r.width > 0 && (r.height < 47.5 || r.width < 47.5))
                .map(([t, r]) => t + ' ' + Math.round(r.width) + 'x' + Math.round(r.height));
            JS,
        );
        self::assertSame([], $small);
        $outcomes = $chrome->driver->executeScript(
            "return [...document.querySelectorAll('.fork button')].filter((e) => "
                .'e.getBoundingClientRect().height < 64).length;',
        );
        self::assertSame(0, $outcomes);
    }
}
