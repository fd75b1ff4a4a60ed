<?php

declare(strict_types=1);

namespace App\Tests\Browser;

use Facebook\WebDriver\WebDriverBy;
use PHPUnit\Framework\TestCase;

/** A real browser at the server that ./rodrel test has started. */
abstract class BrowserTestCase extends TestCase
{
    /** Starting one takes longer than most pages: the tests of a class share it, each as if it were new. */
    private static ?Chrome $open = null;
    private static bool $touches = false;

    protected function chrome(int $width = 1280, int $height = 800, bool $touch = false): Chrome
    {
        if (null !== self::$open && self::$touches === $touch) {
            return self::$open->anew($width, $height);
        }
        self::$open?->quit();
        self::$touches = $touch;

        return self::$open = Chrome::open(
            (string) getenv('RODREL_TEST_URL'),
            (string) getenv('RODREL_TEST_DRIVER'),
            $width,
            $height,
            $touch,
        );
    }

    protected function tearDown(): void
    {
        if (null !== self::$open && ($this->status()->isFailure() || $this->status()->isError())) {
            @mkdir(\dirname(__DIR__, 2).'/var/screenshots', 0o775, true);
            self::$open->picture(\dirname(__DIR__, 2).'/var/screenshots/'.$this->name().'.png');
            self::$open->quit();
            self::$open = null;
        }
    }

    public static function tearDownAfterClass(): void
    {
        self::$open?->quit();
        self::$open = null;
    }

    /** Nothing may be complained about in the browser's console: a blocked script, a missing file. */
    protected function assertQuietConsole(Chrome $chrome): void
    {
        $loud = array_filter(
            $chrome->driver->manage()->getLog('browser'),
            static fn (array $line): bool => 'SEVERE' === $line['level']
                && !str_contains($line['message'], 'status of 422')
                && !str_contains($line['message'], 'status of 404'),
        );
        self::assertSame([], array_column($loud, 'message'));
    }

    /** Opens a job by touch; choices are `name=value` of tiles. */
    protected function openJob(Chrome $chrome, string $unit, string ...$choices): string
    {
        $chrome->go('/jobs/new');
        $chrome->one('#unit')->sendKeys($unit);
        foreach ($choices as $choice) {
            [$name, $value] = explode('=', $choice);
            $chrome->touch("input[name=$name][value='$value']");
        }
        $chrome->tap('button.go.wide');

        return (string) preg_replace('~/(bench|round)$~', '', $chrome->path());
    }

    /** Does what the Bench says until it says stop, every answer from the model; calls back before each. */
    protected function takeSuggestions(
        Chrome $chrome,
        ModelAnswers $vehicle,
        ?callable $before = null,
        int $most = 20,
    ): void {
        for ($i = 0; $i < $most && [] === $chrome->all('.bench-next a[href$="/finding"].wide'); ++$i) {
            if (str_ends_with($chrome->path(), '/round')) {
                null === $before ? null : $before($chrome);
                $this->walkRound($chrome, $vehicle);
                continue;
            }
            $left = $chrome->all('.bench-next .fork button, .bench-next a.go.wide:not([href$="/card"])');
            if ([] === $left) {
                return; // nothing more is worth looking at, and nothing was shown
            }
            if ([] !== $chrome->all('.bench-next > .gate form:not(.inline-form) button')) {
                $chrome->tap('.bench-next > .gate form:not(.inline-form) button');
                continue;
            }
            null === $before ? null : $before($chrome);
            if ([] !== $chrome->all('.bench-next a[href$="/round"]')) {
                $chrome->tap('.bench-next a[href$="/round"]');
                $this->walkRound($chrome, $vehicle);
                continue;
            }
            if ([] !== $chrome->all('.bench-next .fork button')) {
                $check = (string) $chrome->one('.bench-next input[name=check]')->getAttribute('value');
                $chrome->tap('.fork button:nth-of-type('.$vehicle->keys($check)[''].')');
                continue;
            }
            $chrome->tap('.bench-next a.go.wide');
            $this->answerSheet($chrome, $vehicle->keys(basename($chrome->path())));
        }
    }

    /** The whole proof: one sheet leads to the next, and to the page of the proof where none can. */
    protected function proveAll(Chrome $chrome, ModelAnswers $vehicle, int $most = 12): void
    {
        for ($i = 0; $i < $most && !str_contains($chrome->text('h1'), 'Proved'); ++$i) {
            if (str_ends_with($chrome->path(), '/proof')) {
                $this->putWheelsOn($chrome);
                str_ends_with($chrome->path(), '/proof') ? $chrome->tap('a.go.wide[data-key=n]') : null;
            }
            $this->proveSheet($chrome, $vehicle);
        }
        self::assertStringEndsWith('/proof', $chrome->path());
    }

    /** After the bleed run: every nut in the middle of its band. */
    protected function putWheelsOn(Chrome $chrome): void
    {
        foreach ($chrome->all('.wheels-on .answer-number') as $wheel) {
            preg_match('/(\d+(?:\.\d+)?)–(\d+(?:\.\d+)?)/u', $wheel->getText(), $band);
            $field = $wheel->findElement(WebDriverBy::cssSelector('input'));
            if ('' !== $field->getAttribute('value')) {
                continue;
            }
            $middle = ((float) ($band[1] ?? 110) + (float) ($band[2] ?? 110)) / 2.0;
            $chrome->type('#'.$field->getAttribute('id'), (string) $middle);
        }
        if ([] !== $chrome->all('.wheels-on')) {
            $chrome->tap('.wheels-on button');
            self::assertSame([], $chrome->all('.wheels-on'));
        }
    }

    /** A sheet of the proof: one check, or all of a place; a repaired vehicle's look is good. */
    private function proveSheet(Chrome $chrome, ModelAnswers $vehicle): void
    {
        $this->openGates($chrome);
        if ([] === $chrome->all('form.round')) {
            $check = basename($chrome->path());
            $this->answerSheet(
                $chrome,
                'look@vehicle' === $check ? ['level' => 1, 'wet' => 1, 'lamp' => 1] : $vehicle->keys($check),
            );

            return;
        }
        $tapped = $this->toBeTapped($chrome, $vehicle);
        foreach ($tapped as $field => $word) {
            $tapped[$field] = str_starts_with($field, 'sheet[look@vehicle]') ? 'good' : $word;
        }
        $alone = array_filter($tapped, fn (string $word, string $field): bool => !$this->isFirst($chrome, $field, $word)
            || [] !== $chrome->all('[data-alone] [name="'.$field.'"]'), \ARRAY_FILTER_USE_BOTH);
        $this->answerRows($chrome, $alone);
        // the rest is as it should be
        $chrome->tap('.round-acts button[data-key="'.($alone === $tapped ? 'enter' : '0').'"]');
    }

    /**
     * What is not as it should be comes first, or one tap for the rest would answer it.
     *
     * @param array<string, string> $rows word or figure by field
     */
    private function answerRows(Chrome $chrome, array $rows): void
    {
        foreach ([false, true] as $best) {
            foreach ($rows as $field => $word) {
                if ($best === $this->isFirst($chrome, $field, $word)) {
                    $this->answerRow($chrome, $field, $word);
                }
            }
        }
    }

    /** A row of a round: typed, or tapped; where its check offers the rest in one tap, that is taken for the best. */
    private function answerRow(Chrome $chrome, string $field, string $word): void
    {
        if ([] === $chrome->all('[type=radio][name="'.$field.'"]')) {
            $chrome->type('[name="'.$field.'"]', $word);

            return;
        }
        if ([] !== $chrome->all('[name="'.$field.'"]:checked')) {
            self::assertSame($word, $chrome->one('[name="'.$field.'"]:checked')->getAttribute('value'), $field);

            return;
        }
        $tile = '[name="'.$field.'"][value="'.$word.'"]';
        $all = '.round li:has('.$tile.') .best';
        $chrome->touch([] !== $chrome->all($all) && $this->isFirst($chrome, $field, $word) ? $all : $tile);
    }

    /** Whether a word stands first in its row, as what is best does. */
    private function isFirst(Chrome $chrome, string $field, string $word): bool
    {
        $tiles = $chrome->all('[type=radio][name="'.$field.'"]');

        return [] !== $tiles && $word === $tiles[0]->getAttribute('value');
    }

    /** Confirms what stands before a sheet; what lies behind it opens on the same page where all of it is prepared. */
    protected function openGates(Chrome $chrome): void
    {
        while ([] !== $chrome->all('.gate button')) {
            if ([] === $chrome->all('[data-behind-gates]')) {
                $chrome->tap('.gate button');
                continue;
            }
            $left = \count($chrome->all('.gate button'));
            $chrome->touch('.gate button');
            $chrome->driver->wait(10, 30)->until(static fn (): bool => \count($chrome->all('.gate button')) < $left);
        }
    }

    /** Opens what stands before a round, taps what is not as it should be, and the one button for the rest. */
    protected function walkRound(Chrome $chrome, ModelAnswers $vehicle): void
    {
        $this->openGates($chrome);
        if (!str_ends_with($chrome->path(), '/round')) {
            return; // with the vehicle up something else is worth more
        }
        $this->answerRows($chrome, $this->toBeTapped($chrome, $vehicle));
        $chrome->tap('.round [name=covered]');
    }

    /** @return array<string, string> word or figure by field: everything that the one button does not answer */
    protected function toBeTapped(Chrome $chrome, ModelAnswers $vehicle): array
    {
        $tapped = $good = [];
        foreach ($chrome->all('.round input[type=hidden][name*="[good]"]') as $field) {
            $good[(string) $field->getAttribute('name')] = (string) $field->getAttribute('value');
        }
        foreach ($chrome->all('.round input[type=hidden][name*="[shown]"]') as $field) {
            $name = (string) $field->getAttribute('name');
            preg_match('/^sheet\[(.+)\]\[shown\]\[(.+)\]$/', $name, $of);
            $found = $vehicle->found($of[1]);
            $word = $found['0' === $of[2] ? '' : $of[2]];
            if ($word !== ($good[str_replace('[shown]', '[good]', $name)] ?? null)) {
                $kind = [] === $chrome->all('[name="'.str_replace('[shown]', '[number]', $name).'"]')
                    ? '[word]'
                    : '[number]';
                $tapped[str_replace('[shown]', $kind, $name)] = $word;
            }
        }

        return $tapped;
    }

    /**
     * Opens what stands before a sheet and answers it by touch.
     *
     * @param array<string, int|string> $keys position from 1, or what to type, by row
     */
    protected function answerSheet(Chrome $chrome, array $keys): void
    {
        $this->openGates($chrome);
        if ([] !== $chrome->all('#air')) {
            $chrome->one('#air')->sendKeys((string) ModelAnswers::AIR_C);
            $chrome->touch('input[name=surface][value=contact]');
        }
        $rest = \count(array_filter($keys, static fn (int|string $key): bool => 1 === $key)) > 1;
        foreach ($keys as $row => $key) {
            if (\is_string($key)) {
                $chrome->one('[name="number['.$row.']"]')->sendKeys($key);
            } elseif (\count($keys) > 1 && !($rest && 1 === $key)) {
                $chrome->touch('[name="word['.$row.']"]:is(label:nth-of-type('.$key.') *)');
            }
        }
        if ($rest) {
            $chrome->tap('.answers [data-key="0"]');

            return;
        }
        1 === \count($keys) && \is_int(reset($keys))
            ? $chrome->tap('.fork button:nth-of-type('.reset($keys).')')
            : $chrome->tap('.answers button[data-key=enter].wide');
    }

    /** Ticks a whole repair sheet by touch, every figure in the middle of its band, and finishes with it. */
    protected function recordSheet(Chrome $chrome): void
    {
        $chrome->touch('.prepare button');
        $last = null;
        foreach ($chrome->all('.step-line[data-done=no]:has([data-tick])') as $step) {
            $field = $step->findElements(WebDriverBy::cssSelector('[data-figure]'));
            // a wrench that was set for the other side stands there already
            if ([] === $field || '' !== $field[0]->getAttribute('value')) {
                $last = $step;
                continue;
            }
            $chrome->driver->executeScript("arguments[0].scrollIntoView({block: 'center', behavior: 'instant'});", [
                $step,
            ]);
            ++$chrome->taps;
            $line = $step->findElement(WebDriverBy::xpath('..'))->getText();
            preg_match('/(\d+(?:\.\d+)?)–(\d+(?:\.\d+)?)/u', $line, $band);
            $field[0]->sendKeys((string) (((float) ($band[1] ?? 24) + (float) ($band[2] ?? 24)) / 2.0));
        }
        // what has no figure is ticked at its end, and what stands before it with one more touch
        if (null !== $last) {
            $chrome->driver->executeScript("arguments[0].scrollIntoView({block: 'center', behavior: 'instant'});", [
                $last,
            ]);
            ++$chrome->taps;
            $last->findElement(WebDriverBy::cssSelector('.step-tick'))->click();
        }
        if ([] !== $chrome->all('.steps [data-tick]:not(:checked)')) {
            $chrome->touch('.record-bar button:nth-of-type(2)');
        }
        $chrome->tap('.record-bar [name=finish]');
        self::assertSame([], $chrome->all('.refused-here'), 'all of it was taken');
        self::assertStringEndsNotWith('/repair', $chrome->path(), 'it is finished with its last step');
    }

    /** From the first bleeder to the report; second looks are somebody else's and not counted. */
    protected function bleedProveAndHandOver(Chrome $chrome, ModelAnswers $vehicle, string $job): void
    {
        while ([] !== $chrome->all('.bleed-form')) {
            $chrome->type('[name=strokes]', '14')->type('[name=clear]', '4')->touch('[name=bubbles][value=none]');
            $chrome->tap('.bleed-form button.wide');
        }
        self::assertStringEndsWith('/proof', $chrome->path());
        [$taps, $pages] = [$chrome->taps, $chrome->pages];
        $this->lookAgain($chrome, $job);
        [$chrome->taps, $chrome->pages] = [$taps, $pages];
        $vehicle->repaired();
        $this->proveAll($chrome, $vehicle);
        $this->openGates($chrome);
        $chrome->agree('.proof form button.go.wide');
    }

    /** Rechecks are somebody else's, made where the proof asks for them, and counted apart. */
    protected function lookAgain(Chrome $chrome, string $job): void
    {
        $chrome->go('/')->tap('.head-who form[action$=sign-out] button');
        $chrome->signIn('tarrenby')->go("$job/proof");
        self::assertNotSame([], $chrome->all('.looks input[value=confirm]'));
        while ([] !== $chrome->all('.looks input[value=confirm]')) {
            $chrome->tap('.looks form:has(input[value=confirm]) button');
            self::assertStringEndsWith('/proof', $chrome->path(), 'nobody is sent in a circle');
        }
    }
}
