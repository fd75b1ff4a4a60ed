<?php

declare(strict_types=1);

namespace App\Tests\Browser;

use App\Tests\Browser\lib\OwnServer;

/** Nothing that was typed is lost: drafts, refusals on the sheet, undo beside it, and a network that comes and goes. */
final class KeptTest extends BrowserTestCase
{
    private const RECORD = '.answers button[data-key=enter].wide';
    private const LEFT = 'input[name="word[lf]"]';
    private static ?OwnServer $server = null;

    public static function tearDownAfterClass(): void
    {
        self::$server?->cut();
        parent::tearDownAfterClass();
    }

    public function testWhatWasTypedStaysOnTheSheet(): void
    {
        $chrome = $this->chrome()->signIn('fenwarren');
        $job = $this->openJob($chrome, 'Draft 1', 'split=diagonal', 'rear=drum', 'what=drags', 'where=lf');
        $sheet = $job.'/checks/spin@vehicle';
        $this->openGates($chrome->go($sheet));
        $chrome->touch(self::LEFT.'[value=two-hands]')->touch('input[name="word[rr]"][value=one-finger]');
        $chrome->tap('#units')->tap('#units');
        self::assertSame($sheet, $chrome->path(), 'another unit leaves nobody\'s sheet');
        self::assertTrue($chrome->one(self::LEFT.'[value=two-hands]')->isSelected());
        self::assertMatchesRegularExpression('/Kept on this device since \d/', $chrome->text('.kept-here'));
        $first = $chrome->driver->getWindowHandle();
        $chrome->driver->switchTo()->newWindow();
        $chrome->go($sheet)->touch('input[name="word[lr]"][value=one-hand]');
        $chrome->driver->close();
        $chrome->driver->switchTo()->window($first);
        $left = 'input[name="word[lr]"][value=one-hand]';
        self::assertTrue($chrome->one($left)->isSelected(), 'two tabs agree');
        self::assertTrue($chrome->one(self::LEFT.'[value=two-hands]')->isSelected());
        $chrome->driver->manage()->deleteAllCookies();
        $chrome->signIn('fenwarren')->go($sheet);
        $right = $chrome->one('input[name="word[rr]"][value=one-finger]');
        self::assertTrue($right->isSelected(), 'nor does a new session');
        $chrome->driver->manage()->deleteAllCookies();
        $chrome->signIn('tarrenby')->go($sheet);
        self::assertFalse($chrome->one(self::LEFT.'[value=two-hands]')->isSelected(), 'it is nobody else\'s');
        $chrome->driver->manage()->deleteAllCookies();
        $chrome->signIn('fenwarren')->go($sheet)->tap(self::RECORD);

        // taken in: said, undone and redone beside it, and no longer a draft
        self::assertStringContainsString('Recorded.', $chrome->text('.just'));
        self::assertStringContainsString('left front', mb_strtolower($chrome->text('.just')));
        $chrome->follow('u');
        self::assertStringStartsWith('Undone.', $chrome->text('.just'));
        $chrome->follow('u');
        self::assertStringStartsWith('Back again.', $chrome->text('.just'));
        self::assertCount(1, $chrome->all('.trail-list form'), 'one reading stands');
        $chrome->go($sheet);
        self::assertSame([], $chrome->all('.kept-here'));
        self::assertFalse($chrome->one(self::LEFT.'[value=two-hands]')->isSelected());
    }

    public function testARefusalStaysAtItsFieldAndBackIsACorrection(): void
    {
        $chrome = $this->chrome()->signIn('fenwarren');
        $brakes = ['split=diagonal', 'rear=drum'];
        $job = $this->openJob($chrome, 'Draft 2', ...$brakes, ...['what=drags', 'where=lf', 'driven_in=1']);
        $chrome->go($job.'/checks/heat-arrival@vehicle');
        $chrome->one('#air')->sendKeys('15');
        $chrome->touch('input[name=surface][value=rusty]');
        foreach (['lf' => '95', 'rf' => '9000', 'lr' => '30', 'rr' => '31'] as $wheel => $typed) {
            $chrome->one('[name="number['.$wheel.']"]')->sendKeys($typed);
        }
        $chrome->tap(self::RECORD);
        self::assertStringEndsWith('/checks/heat-arrival@vehicle', $chrome->path());
        self::assertStringContainsString('9000', $chrome->text('.refused-here'));
        $field = $chrome->one('[name="number[rf]"]');
        self::assertSame(['9000', 'true'], [$field->getAttribute('value'), $field->getAttribute('aria-invalid')]);
        self::assertSame('95', $chrome->one('[name="number[lf]"]')->getAttribute('value'), 'the others stand');

        $spin = $job.'/checks/spin@vehicle';
        $this->openGates($chrome->go($spin));
        $chrome->touch(self::LEFT.'[value=two-hands]')->tap(self::RECORD);
        $chrome->driver->navigate()->back();
        $chrome->ready()->touch(self::LEFT.'[value=one-finger]')->tap(self::RECORD);
        self::assertStringNotContainsString('{', $chrome->text('main'), 'in words');
        $chrome->tap('button[name=corrects]');
        self::assertCount(1, $chrome->all('.trail-list form'), 'the first was taken back');
        self::assertQuiet($chrome);
    }

    /** Twenty seconds for an answer are no missing network: it is said as sent, and a second tap is the same entry. */
    public function testASlowShopIsWaitedFor(): void
    {
        $chrome = $this->chrome(412, 900)->signIn('fenwarren');
        $job = $this->openJob($chrome, 'Draft 5', 'split=diagonal', 'rear=drum', 'what=drags', 'where=lf');
        $this->until($chrome, 'return !!navigator.serviceWorker.controller;');
        $chrome->go($job.'/bench');
        foreach (['9000' => 'spin@vehicle', '20000' => 'pump@vehicle'] as $ms => $check) {
            $chrome->go("$job/checks/$check");
            $this->openGates($chrome);
            $chrome->driver->executeScript("document.cookie = 'slow=$ms; path=/';");
            $one = $chrome->all('.answers .fork button');
            $send = [] === $one ? '.answers [data-key="0"]' : '.answers .fork button';
            // while a page is on its way the browser answers nobody: the page looks and taps again by itself
            $chrome->driver->executeScript(
                'setTimeout(() => { sessionStorage.slow = document.getElementById("slow").innerText; '
                    .'document.querySelector(arguments[0]).click(); }, 3000);',
                [$send],
            );
            $chrome->touch($send);
            for ($i = 0; $i < 300 && $chrome->path() !== $job.'/bench'; ++$i) {
                usleep(200_000);
            }
            $chrome->driver->executeScript("document.cookie = 'slow=; path=/; max-age=0';");
            self::assertSame($job.'/bench', $chrome->ready()->path());
            self::assertStringStartsWith('Sent.', $chrome->driver->executeScript('return sessionStorage.slow;'));
            self::assertSame('', $chrome->driver->executeScript('return document.documentElement.dataset.asOf ?? "";'));
            self::assertSame(0, $chrome->driver->executeScript(
                "return document.querySelector('.outbox details').offsetHeight;",
            ), 'nothing waits to be sent');
        }
        self::assertCount(2, $chrome->all('.trail-list form'), 'each once');
        $this->assertQuietConsole($chrome);
    }

    public function testANetworkThatComesAndGoes(): void
    {
        self::$server = OwnServer::open();
        $driver = (string) getenv('RODREL_TEST_DRIVER');
        $chrome = Chrome::open(self::$server->url(), $driver, 412, 900, true);
        try {
            $this->onAPhone($chrome, self::$server);
        } finally {
            $chrome->picture(\dirname(__DIR__, 2).'/var/screenshots/network.png');
            $chrome->quit();
        }
    }

    private function onAPhone(Chrome $chrome, OwnServer $server): void
    {
        $chrome->signIn('fenwarren');
        $job = $this->openJob($chrome, 'Draft 3', 'split=diagonal', 'rear=drum', 'what=drags', 'where=lf');
        $bench = $job.'/bench';
        $this->until($chrome, 'return !!navigator.serviceWorker.controller;');
        $chrome->go($bench);
        $spin = $job.'/checks/spin@vehicle';
        $chrome->go($spin)->go($bench);
        $kept = "return caches.open('rodrel-pages-1').then((c) => c.match('$job/checks')).then((r) => !!r);";
        $this->until($chrome, $kept);

        $server->cut();
        $chrome->go($spin);
        self::assertStringContainsString('No network: this page is as of', $chrome->text('.as-of'));
        $chrome->tap('.gate button');
        $this->until($chrome, "return document.querySelector('[data-behind-gates]')?.hidden === false;");
        $chrome->touch(self::LEFT.'[value=two-hands]')->touch('input[name="word[rf]"][value=one-finger]');
        $chrome->tap(self::RECORD);
        self::assertSame($bench, $chrome->path());
        $this->until($chrome, "return document.querySelector('.outbox summary').innerText.includes('2 to send');");
        // a photo of it waits with them
        $chrome->go($spin)->one('.photos input[type=file]')->sendKeys($this->picture());
        $this->until($chrome, "return document.querySelector('.outbox summary').innerText.includes('3 to send');");

        // the session ends meanwhile, and somebody else signs in: it is not sent as his
        $server->mend();
        $chrome->driver->manage()->deleteAllCookies();
        $chrome->signIn('tarrenby')->go($bench);
        $this->until($chrome, "return document.querySelector('.outbox summary').innerText.includes('3 to send');");
        $chrome->touch('.outbox summary');
        self::assertStringContainsString('Waits until who wrote it signs in', $chrome->text('.outbox'));
        $acts = array_filter($chrome->all('.outbox button'), static fn ($one): bool => $one->isDisplayed());
        self::assertSame([], $acts, 'nor is it his to throw away');
        self::assertCount(0, $chrome->all('.trail-list form'));
        $chrome->driver->manage()->deleteAllCookies();
        $chrome->signIn('fenwarren')->go($bench);
        $this->until($chrome, "return document.querySelector('.outbox details').offsetHeight === 0;");
        $chrome->go($bench);
        self::assertCount(1, $chrome->all('.trail-list form'), 'sent once, under the name of who made it');
        $chrome->go($spin);
        self::assertSame([], $chrome->all('.kept-here'), 'no draft is left of it');
        self::assertCount(1, $chrome->all('.photos img'), 'the photo too');
    }

    public function testTwoPeopleOnOneSheetDoNotMoveEachOther(): void
    {
        $one = $this->chrome()->signIn('fenwarren');
        $job = $this->openJob($one, 'Draft 4', 'split=diagonal', 'rear=drum', 'what=drags', 'where=lf');
        $sheet = $job.'/checks/pedal@vehicle';
        $one->go($sheet)->touch('input[name="word[feel]"][value=firm]');
        $where = "return document.querySelector('input[name=\"word[feel]\"]').getBoundingClientRect().top;";
        $before = $one->driver->executeScript($where);
        $other = Chrome::open((string) getenv('RODREL_TEST_URL'), (string) getenv('RODREL_TEST_DRIVER'), 412, 900);
        try {
            $other->signIn('tarrenby')->go($sheet)->touch('input[name="word[feel]"][value=spongy]');
            $other->touch('input[name="word[sink]"][value=none]')->tap(self::RECORD);
        } finally {
            $other->quit();
        }
        $this->until($one, "return document.querySelector('.news').offsetHeight > 0;");
        self::assertStringContainsString('Tarrenby', $one->text('.news'), 'who it was');
        self::assertSame($before, $one->driver->executeScript($where), 'nothing moved under the finger');
        self::assertTrue($one->one('input[name="word[feel]"][value=firm]')->isSelected(), 'nor was it cleared');
        $one->tap('.news a');
        self::assertTrue($one->one('input[name="word[feel]"][value=firm]')->isSelected(), 'nor by loading it again');
        $one->tap(self::RECORD);
        $trail = $one->go($job.'/report')->text('.report-trail');
        self::assertSame(2, substr_count($trail, 'Hold the pedal firm'), 'both stand');
        foreach (['Fenwarren', 'Tarrenby'] as $name) {
            self::assertStringContainsString($name, $trail, 'each under its own name');
        }
        $this->assertQuietConsole($one);
    }

    /** A small picture as a camera would give it. */
    private function picture(): string
    {
        $file = sys_get_temp_dir().'/rodrel-photo-'.bin2hex(random_bytes(4)).'.jpg';
        $image = imagecreatetruecolor(64, 48);
        imagejpeg($image, $file);

        return $file;
    }

    private function until(Chrome $chrome, string $script): void
    {
        $chrome->driver->wait(20, 200)->until(static fn (): bool => true === $chrome->driver->executeScript($script));
    }

    private static function assertQuiet(Chrome $chrome): void
    {
        $loud = array_filter(
            $chrome->driver->manage()->getLog('browser'),
            static fn (array $line): bool => 'SEVERE' === $line['level'] && !str_contains($line['message'], '409'),
        );
        self::assertSame([], array_column($loud, 'message'));
    }
}
