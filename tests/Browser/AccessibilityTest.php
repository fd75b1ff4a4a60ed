<?php

declare(strict_types=1);

namespace App\Tests\Browser;

use App\Kernel;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\Routing\RouterInterface;

/** axe on every page that can be opened, found from the router: wide, narrow, and in the dark. */
final class AccessibilityTest extends BrowserTestCase
{
    #[DataProvider('provideSizes')]
    public function testEveryPageIsAccessible(
        int $width,
        int $height,
        bool $dark,
        string $language = 'en',
        bool $forced = false,
    ): void {
        $chrome = $this->chrome($width, $height)->forceColours($forced);
        if ($forced) {
            $asks = 'return matchMedia("(forced-colors: active)").matches;';
            self::assertTrue($chrome->go('/sign-in')->driver->executeScript($asks));
        }
        $wrong = $this->judge($chrome->go('/sign-in'), '/sign-in');
        $chrome->signIn('aldershaw');
        if ($dark !== ('dark' === $chrome->driver->executeScript('return document.documentElement.dataset.bsTheme;'))) {
            $chrome->tap('#theme');
        }
        if ($language !== $chrome->one('html')->getAttribute('lang')) {
            $chrome->tap('#language');
        }
        $chrome->go('/?show=shed');
        $jobs = array_map(
            static fn ($link): string => (string) parse_url((string) $link->getAttribute('href'), \PHP_URL_PATH),
            $chrome->all('.job-line'),
        );
        self::assertGreaterThanOrEqual(5, \count($jobs));
        $chrome->go('/?show=done');
        $done = array_map(
            static fn ($link): string => (string) parse_url((string) $link->getAttribute('href'), \PHP_URL_PATH),
            $chrome->all('.job-line'),
        );
        $seen = 0;
        foreach ($this->routes() as $name => $path) {
            $paths = match (true) {
                str_contains($path, '{check}') => array_map(
                    static fn (string $check): string => str_replace(
                        ['/jobs/{id}', '{check}'],
                        [$jobs[0], $check],
                        $path,
                    ),
                    ['spin@vehicle', 'pedal@vehicle', 'push-back@lf', 'heat-arrival@vehicle', 'limits@lf', 'gauge@lf'],
                ),
                \in_array($name, ['job_report', 'job_heat', 'job_bleed'], true) => array_map(
                    static fn (string $job): string => str_replace('/jobs/{id}', $job, $path),
                    $done,
                ),
                str_contains($path, '{id}') => array_map(
                    static fn (string $job): string => str_replace('/jobs/{id}', $job, $path),
                    \in_array($name, ['job_bench', 'job_finding', 'job_repair', 'job_proof'], true)
                        ? [...\array_slice($jobs, 0, 1280 === $width && !$dark ? 4 : 1), $jobs[\count($jobs) - 1]]
                        : \array_slice($jobs, 0, 1),
                ),
                default => [$path],
            };
            foreach ($paths as $each) {
                if (!$this->isDue($each, $width, $dark, $language, $forced)) {
                    continue;
                }
                $wrong = [...$wrong, ...$this->judge($chrome->go($each), $each)];
                ++$seen;
            }
        }
        $wrong = [...$wrong, ...$this->judge($chrome->go('/jobs/nowhere'), '/jobs/nowhere')];
        if ('en' !== $language) {
            $chrome->go('/')->tap('#language');
        }
        $chrome->forceColours(false);
        self::assertSame([], $wrong);
        self::assertGreaterThan('' === (string) getenv('RODREL_EVERY') && 390 !== $width ? 5 : 22, $seen);
    }

    /** Narrow is where pages break: every one in every run; wide and dark a quarter each, all where all is asked. */
    private function isDue(string $path, int $width, bool $dark, string $language, bool $forced): bool
    {
        $shape = (string) preg_replace('/[0-9a-f-]{36}/', '', $path);

        return ('en' === $language && 390 === $width)
            || '' !== (string) getenv('RODREL_EVERY')
            || crc32($shape) % 4 === ($forced ? 2 : (int) $dark);
    }

    /** @return iterable<string, array{0: int, 1: int, 2: bool, 3?: string, 4?: bool}> */
    public static function provideSizes(): iterable
    {
        yield 'wide' => [1280, 800, false];
        yield 'narrow' => [390, 844, false];
        yield 'wide, dark bay' => [1280, 800, true];
        yield 'smallest, in German' => [320, 700, false, 'de'];
        yield 'wide, forced colours' => [1280, 800, false, 'en', true];
    }

    public function testAPlantedFaultIsFound(): void
    {
        $chrome = $this->chrome();
        $chrome->go('/sign-in');
        $chrome->driver->executeScript(
            "document.querySelector('main').insertAdjacentHTML('beforeend', '<img src=\"/nothing.png\"><p "
                ."class=\"planted\">grey</p>'); document.querySelector('label').remove(); "
                ."document.querySelector('.planted').style.color = '#ccc';",
        );
        $found = implode(' ', $this->judge($chrome, 'planted'));
        foreach (['image-alt', 'color-contrast', 'label'] as $rule) {
            self::assertStringContainsString($rule, $found);
        }
    }

    /** @return array<string, string> path by name of every page: GET routes that answer with HTML */
    private function routes(): array
    {
        $kernel = new Kernel('test', false);
        $kernel->boot();
        $router = $kernel->getContainer()->get('router');
        self::assertInstanceOf(RouterInterface::class, $router);
        $paths = [];
        foreach ($router->getRouteCollection() as $name => $route) {
            if (
                \in_array('GET', $route->getMethods(), true)
                && !\in_array(
                    $name,
                    [
                        'job_head', 'wall_head', 'worker', 'alive', 'sign_in', 'job', 'job_pdf', 'job_customer_pdf',
                        'job_json', 'job_csv', 'manifest',
                        'photo', 'practice_answer', 'practice_debrief', 'practice_own',
                    ],
                    true,
                )
            ) {
                $paths[$name] = $route->getPath();
            }
        }
        $kernel->shutdown();

        return $paths;
    }

    /** @return list<string> */
    private function judge(Chrome $chrome, string $path): array
    {
        $chrome->driver->executeScript((string) file_get_contents(__DIR__.'/lib/axe.min.js'));
        // what half slides under a bar at the lower edge is scrolled out from under it, and is no small target
        $chrome->driver->executeScript(
            "for (const bar of document.querySelectorAll('.round-acts, .record-bar')) { bar.style.position = 'static'"
                .'; }',
        );
        $chrome->driver->manage()->timeouts()->setScriptTimeout(30);
        $found = $chrome->driver->executeAsyncScript(
            "const done = arguments[0]; axe.run(document, {runOnly: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', "
                ."'wcag22aa']}).then((r) => done(r.violations.map((v) => v.id + ': ' + v.nodes.slice(0, 2).map((n) => "
                ."n.html.slice(0, 120)).join(' | '))));",
        );
        $sideways = $chrome->driver->executeScript(
            'return document.documentElement.scrollWidth - document.documentElement.clientWidth;',
        );

        return array_values(
            array_map(static fn (string $what): string => $path.' '.$what, [
                ...\is_array($found) ? $found : ['axe did not answer'],
                ...$sideways > 1 ? ['sticks out sideways by '.$sideways.' px'] : [],
            ]),
        );
    }
}
