<?php

declare(strict_types=1);

namespace App\Tests\Browser;

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;

/** A whole job by keyboard, from complaint to printed report, on a vehicle whose one-way hose only the test knows. */
final class WholeJobTest extends BrowserTestCase
{
    public function testAWholeJobByKeyboard(): void
    {
        $chrome = $this->chrome();
        $vehicle = new ModelAnswers('medium-car', 'hose.one-way@lf', 9);
        $chrome->signIn('fenwarren');

        $chrome->go('/jobs/new');
        $this->tabTo($chrome, '#unit');
        $this->type($chrome, 'Unit 44, visitor-train tug');
        foreach (
            [
                'split' => 'diagonal',
                'rear' => 'drum',
                'what' => 'drags',
                'where' => 'lf',
                'pattern' => 'always',
            ] as $name => $value
        ) {
            $this->choose($chrome, $name, $value);
        }
        self::assertStringContainsString('left front', $chrome->text('.sentence b'));
        $this->tabTo($chrome, 'button.go.wide');
        $chrome->follow(WebDriverKeys::ENTER);
        self::assertStringEndsWith('/round', $chrome->path());
        $job = (string) preg_replace('~/round$~', '', $chrome->path());

        $asked = [];
        for ($i = 0; $i < 14; ++$i) {
            $round = str_ends_with($chrome->path(), '/round');
            if (!$round && str_contains($chrome->text('.bench-next'), 'Stop testing')) {
                break;
            }
            if ([] !== $chrome->all('.bench-next > .gate')) {
                $chrome->follow('n');
                continue;
            }
            $asked[] = $chrome->text($round ? 'h1' : '.bench-next h1');
            $this->answerNext($chrome, $vehicle);
            self::assertSame(
                'learned',
                $chrome->driver->executeScript('return document.activeElement.id;'),
                'after a reading the focus lands on what was learned',
            );
        }
        self::assertStringContainsString(
            'Repair this: Hose, left front',
            $chrome->text('.bench-next h1'),
            implode(' · ', $asked),
        );
        self::assertContains('First look', \array_slice($asked, 0, 2));

        $chrome->follow('n');
        self::assertSame('The hose at the left front does not let the pressure back', $chrome->text('h1'));
        $this->agree($chrome);
        self::assertStringEndsWith('/repair', $chrome->path());
        $this->repair($chrome);
        $this->confirmAsSomebodyElse($chrome, $job);

        $vehicle->repaired();
        $this->bleed($chrome, $job);
        $this->prove($chrome, $vehicle, $job);
        self::assertStringContainsString('Proved', $chrome->text('h1'));
        $this->openGatesByKey($chrome);
        $this->agree($chrome);
        self::assertStringEndsWith('/report', $chrome->path());
        $report = $chrome->text('.report');
        foreach (
            [
                'The hose at the left front',
                'Replace the hose, left front',
                '110 N·m',
                'The complaint repeated: passed',
                'Handed over',
                'The trail',
            ] as $words
        ) {
            self::assertStringContainsString($words, $report);
        }
        $chrome->driver->executeScript('window.print = () => { document.body.dataset.printed = "yes"; };');
        $chrome->press('n');
        self::assertSame('yes', $chrome->driver->executeScript('return document.body.dataset.printed;'));
        $this->assertQuietConsole($chrome);
    }

    /** Takes the suggested check with N, opens what stands before it, and answers with digits. */
    private function answerNext(Chrome $chrome, ModelAnswers $vehicle): void
    {
        $round = str_ends_with($chrome->path(), '/round');
        if ($round || [] !== $chrome->all('.bench-next a[href$="/round"]')) {
            $round || $chrome->follow('n');
            $this->openGatesByKey($chrome);
            $this->typeRound($chrome, $vehicle);

            return;
        }
        if ([] === $chrome->all('.bench-next .fork button')) {
            $chrome->follow('n');
            $this->openGatesByKey($chrome);
            $check = basename($chrome->path());
            $this->typeSheet($chrome, $vehicle->keys($check));

            return;
        }
        $check = (string) $chrome->one('.bench-next input[name=check]')->getAttribute('value');
        $chrome->follow((string) $vehicle->keys($check)['']);
    }

    private function openGatesByKey(Chrome $chrome): void
    {
        for ($i = 0; $i < 4 && [] !== $chrome->all('.gate'); ++$i) {
            if ([] === $chrome->all('[data-behind-gates]')) {
                $chrome->follow('n');
                continue;
            }
            $left = \count($chrome->all('.gate'));
            $chrome->press('n');
            $chrome->driver->wait(10, 30)->until(static fn (): bool => \count($chrome->all('.gate')) < $left);
        }
        self::assertSame([], $chrome->all('.gate'));
    }

    private function typeRound(Chrome $chrome, ModelAnswers $vehicle, string $keep = '[name=covered]'): void
    {
        foreach ($this->toBeTapped($chrome, $vehicle) as $field => $word) {
            $this->tabTo($chrome, '[name="'.$field.'"]');
            if ([] === $chrome->all('[type=radio][name="'.$field.'"]')) {
                $this->type($chrome, $word);
                continue;
            }
            // the first of a group has the focus: a space takes it, an arrow goes on to the next and takes that
            $values = array_map(
                static fn ($one): string => (string) $one->getAttribute('value'),
                $chrome->all('[name="'.$field.'"]'),
            );
            $chrome->press(WebDriverKeys::SPACE);
            for ($n = (int) array_search($word, $values, true); $n > 0; --$n) {
                $chrome->press(WebDriverKeys::ARROW_DOWN);
            }
        }
        $this->tabTo($chrome, $keep);
        $chrome->follow(WebDriverKeys::ENTER);
    }

    /** @param array<string, int|string> $keys */
    private function typeSheet(Chrome $chrome, array $keys): void
    {
        $typed = array_filter($keys, is_string(...));
        foreach ($typed as $row => $number) {
            $this->tabTo($chrome, '[name="number['.$row.']"]');
            $this->type($chrome, $number);
            $chrome->press(WebDriverKeys::ESCAPE);
        }
        $digits = array_filter($keys, is_int(...));
        if (1 === \count($keys) && 1 === \count($digits)) {
            $chrome->follow((string) reset($digits));

            return;
        }
        foreach ($digits as $digit) {
            $chrome->press((string) $digit);
        }
        if ([] === $digits) {
            $this->tabTo($chrome, '[data-key=enter]');
        }
        $chrome->follow(WebDriverKeys::ENTER);
    }

    private function repair(Chrome $chrome): void
    {
        $chrome->press('0');
        $open = \count($chrome->all('.steps li[data-done=no] [data-tick]'));
        for ($i = 0; $i < $open; ++$i) {
            $chrome->press('n');
            $focus = $chrome->driver->switchTo()->activeElement();
            if (null !== $focus->getAttribute('data-figure')) {
                // "18–30 N·m; …": in the middle of it, as the wrench was set
                $step = $focus->findElement(WebDriverBy::xpath('ancestor::li'))->getText();
                preg_match('/(\d+(?:\.\d+)?)–(\d+(?:\.\d+)?)/u', $step, $band);
                $this->type($chrome, (string) (((float) ($band[1] ?? 24) + (float) ($band[2] ?? 24)) / 2.0));
                $chrome->press(WebDriverKeys::ESCAPE);
            }
        }
        $this->tabTo($chrome, '.record-bar [name=finish]');
        $chrome->follow(WebDriverKeys::ENTER);
        self::assertStringEndsWith('/bleed', $chrome->path());
    }

    /** What cannot be taken lightly is asked once more: the way back has the focus, the act is beside it. */
    private function agree(Chrome $chrome): void
    {
        $chrome->press('n');
        self::assertSame('no', $chrome->driver->switchTo()->activeElement()->getAttribute('value'));
        $this->tabTo($chrome, '#ask[open] [value=yes]');
        $chrome->follow(WebDriverKeys::ENTER);
    }

    /** The second look is somebody else's: another technician signs in on the same tablet. */
    private function confirmAsSomebodyElse(Chrome $chrome, string $job): void
    {
        $chrome->go('/')->tap('.head-who form[action$=sign-out] button');
        $chrome->signIn('tarrenby')->go($job.'/repair');
        for ($i = 0; $i < 6 && [] !== $chrome->all('.steps input[value=confirm]'); ++$i) {
            $this->tabTo($chrome, '.steps form:has(input[value=confirm]) button');
            $chrome->follow(WebDriverKeys::ENTER);
        }
        self::assertSame([], $chrome->all('.steps input[value=confirm]'));
    }

    private function bleed(Chrome $chrome, string $job): void
    {
        $chrome->go($job);
        self::assertStringEndsWith('/bleed', $chrome->path());
        $this->choose($chrome, 'plate', 'glycol');
        $this->choose($chrome, 'fluid', 'glycol');
        $this->tabTo($chrome, '[data-key=enter]');
        $chrome->follow(WebDriverKeys::ENTER);
        self::assertStringContainsString('left front', $chrome->text('h1'));
        foreach (['1', '1', '1', '2', '2', '2'] as $key) {
            $chrome->press($key);
        }
        self::assertSame('6', $chrome->driver->executeScript('return document.querySelector("[name=strokes]").value;'));
        $this->choose($chrome, 'bubbles', 'none');
        $this->tabTo($chrome, '.bleed-form button.wide');
        $chrome->follow(WebDriverKeys::ENTER);
        self::assertStringEndsWith('/proof', $chrome->path());
        $this->tabTo($chrome, '.wheels-on input[name$="[figure]"]');
        $this->type($chrome, '110');
        $chrome->follow(WebDriverKeys::ENTER);
        self::assertSame([], $chrome->all('.wheels-on'));
    }

    private function prove(Chrome $chrome, ModelAnswers $vehicle, string $job): void
    {
        for ($i = 0; $i < 12 && !str_contains($chrome->text('h1'), 'Proved'); ++$i) {
            if ($job.'/proof' === $chrome->path()) {
                $chrome->follow('n');
            }
            $this->openGatesByKey($chrome);
            if ([] !== $chrome->all('form.round')) {
                $this->typeRound($chrome, $vehicle, '.round-acts [data-key=enter]');
                continue;
            }
            $this->typeSheet($chrome, $vehicle->keys(basename($chrome->path())));
        }
        self::assertSame($job.'/proof', $chrome->path(), 'one sheet led to the next');
    }

    private function choose(Chrome $chrome, string $name, string $value): void
    {
        $this->tabTo($chrome, "input[name=$name]", group: true);
        for ($i = 0; $i < 12; ++$i) {
            if (
                $value
                === $chrome->driver->executeScript(
                    'const e = document.activeElement; if (!e.checked) { e.click(); } return e.value;',
                )
            ) {
                return;
            }
            $chrome->press(WebDriverKeys::ARROW_RIGHT);
        }
        self::fail("The choice $name=$value cannot be reached by keyboard.");
    }

    /** Presses Tab until the element has the focus: proof that the keyboard alone reaches it. */
    private function tabTo(Chrome $chrome, string $css, bool $group = false): void
    {
        for ($i = 0; $i < 120; ++$i) {
            if (
                true
                === $chrome->driver->executeScript(
                    $group
                        ? 'return document.activeElement.matches(arguments[0]);'
                        : 'return document.activeElement === document.querySelector(arguments[0]);',
                    [$css],
                )
            ) {
                return;
            }
            $this->tab($chrome);
        }
        self::fail("$css cannot be reached by keyboard.");
    }

    /** To the next field; past one for a file the driver cannot type, there the focus is moved as a tab would. */
    private function tab(Chrome $chrome): void
    {
        $moved = $chrome->driver->executeScript(
            "const now = document.activeElement; if (!now.matches('[type=file]')) return false;"
                ."const all = [...document.querySelectorAll('a[href], button, input:not([type=hidden]), summary')]"
                .'.filter((one) => one.offsetParent !== null); all[all.indexOf(now) + 1].focus(); return true;',
        );
        if (true !== $moved) {
            $chrome->driver->getKeyboard()->sendKeys(WebDriverKeys::TAB);
        }
    }

    private function type(Chrome $chrome, string $text): void
    {
        $chrome->driver->getKeyboard()->sendKeys($text);
    }
}
