<?php

declare(strict_types=1);

namespace App\Tests\Browser;

use Facebook\WebDriver\Chrome\ChromeOptions;
use Facebook\WebDriver\Remote\DesiredCapabilities;
use Facebook\WebDriver\Remote\RemoteWebDriver;
use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverElement;

/** A headless browser at a server of ours: opens, signs in, presses keys, looks. */
final class Chrome
{
    /** Touches and page loads so far. */
    public int $taps = 0;
    public int $pages = 0;

    private function __construct(public readonly RemoteWebDriver $driver, private readonly string $url)
    {
    }

    public static function open(
        string $url,
        string $driver,
        int $width = 1280,
        int $height = 800,
        bool $touch = false,
    ): self {
        $options = new ChromeOptions();
        $options->addArguments([
            '--headless=new',
            '--no-sandbox',
            '--disable-gpu',
            '--disable-quic',
            '--no-first-run',
            '--disable-background-networking',
            '--disable-component-update',
            '--disable-sync',
            '--disable-dev-shm-usage',
            '--hide-scrollbars',
            '--force-device-scale-factor=1',
            '--lang=en-US',
            '--window-size='.$width.','.$height,
            '--user-data-dir='.sys_get_temp_dir().'/rodrel-chrome-'.bin2hex(random_bytes(6)),
        ]);
        if ($touch) {
            $options->addArguments(['--touch-events=enabled']);
        }
        $capabilities = DesiredCapabilities::chrome();
        $capabilities->setCapability(ChromeOptions::CAPABILITY, $options);
        $capabilities->setCapability('goog:loggingPrefs', ['browser' => 'ALL']);
        $chrome = new self(RemoteWebDriver::create($driver, $capabilities, 20000, 60000), $url);
        $chrome->size($width, $height);

        return $chrome;
    }

    /** As if it were new: nobody signed in, nothing remembered, nothing complained about. */
    public function anew(int $width, int $height): self
    {
        $this->go('/sign-in');
        $this->driver->executeScript('localStorage.clear(); sessionStorage.clear();');
        $this->driver->manage()->deleteAllCookies();
        $this->driver->get('about:blank');
        $this->driver->manage()->getLog('browser');
        $this->size($width, $height);

        return $this;
    }

    /** As a system does that draws every page in a few colours of its own. */
    public function forceColours(bool $forced): self
    {
        $media = ['features' => [['name' => 'forced-colors', 'value' => $forced ? 'active' : 'none']]];

        return $this->tell('Emulation.setEmulatedMedia', $media);
    }

    /** @param array<string, mixed> $params */
    private function tell(string $order, array $params): self
    {
        $command = ['cmd' => $order, 'params' => $params];
        $this->driver->executeCustomCommand('/session/:sessionId/goog/cdp/execute', 'POST', $command);

        return $this;
    }

    /** The size of the page itself: a window follows late, and none is as narrow as a phone. */
    public function size(int $width, int $height): void
    {
        $this->tell('Emulation.setDeviceMetricsOverride', [
            'width' => $width,
            'height' => $height,
            'deviceScaleFactor' => 1,
            'mobile' => false,
        ]);
        $page = $this->driver->executeScript('return [innerWidth, innerHeight];');
        if ($page !== [$width, $height]) {
            throw new \RuntimeException("The page is not $width by $height, it is ".implode(' by ', $page).'.');
        }
    }

    public function go(string $path): self
    {
        $this->driver->get(str_starts_with($path, 'http') ? $path : $this->url.$path);

        return $this->ready();
    }

    /** Waits until the page's scripts and fonts are there. */
    public function ready(): self
    {
        $this->driver
            ->wait(10, 50)
            ->until(
                static fn (RemoteWebDriver $driver): bool => true
                    === $driver->executeScript(
                        "return document.readyState === 'complete' && document.documentElement.dataset.ready === "
                            ."'yes' && document.fonts.status === 'loaded';",
                    ),
            );

        return $this;
    }

    public function signIn(string $login, string $password = 'thornwater'): self
    {
        $this->go('/sign-in');
        $this->one('#login')->clear()->sendKeys($login);
        $before = $this->driver->executeScript('return performance.timeOrigin;');
        $this->one('#password')->sendKeys($password)->submit();

        return $this->leave($before);
    }

    public function one(string $css): WebDriverElement
    {
        return $this->driver->findElement(WebDriverBy::cssSelector($css));
    }

    /** @return list<WebDriverElement> */
    public function all(string $css): array
    {
        return array_values($this->driver->findElements(WebDriverBy::cssSelector($css)));
    }

    public function text(string $css): string
    {
        return $this->one($css)->getText();
    }

    public function path(): string
    {
        return (string) parse_url($this->driver->getCurrentURL(), \PHP_URL_PATH);
    }

    /** Presses a key on whatever has the focus, and waits for the page that follows. */
    public function press(string $key): self
    {
        $before = $this->driver->executeScript('return performance.timeOrigin;');
        $this->driver->getKeyboard()->sendKeys($key);
        $this->driver
            ->wait(5, 30)
            ->until(
                static fn (RemoteWebDriver $driver): bool => true
                    === $driver->executeScript(
                        "return document.readyState === 'complete' && (document.documentElement.dataset.ready "
                            ."=== 'yes');",
                    ),
            );

        return $before === $this->driver->executeScript('return performance.timeOrigin;') ? $this : $this->ready();
    }

    /** Follows a press that must lead to another page. */
    public function follow(string $key): self
    {
        $before = $this->driver->executeScript('return performance.timeOrigin;');
        $this->driver->getKeyboard()->sendKeys($key);

        return $this->leave($before);
    }

    /** Touches an element and waits for the page that follows. */
    public function tap(string $css): self
    {
        $before = $this->driver->executeScript('return performance.timeOrigin;');
        $this->touch($css);

        return $this->leave($before);
    }

    /** Touches what is asked about once more, and says yes. */
    public function agree(string $css): self
    {
        return $this->touch($css)->tap('#ask[open] [value=yes]');
    }

    public function touch(string $css): self
    {
        $element = $this->one($css);
        $this->driver->executeScript("arguments[0].scrollIntoView({block: 'center', behavior: 'instant'});", [
            $element,
        ]);
        $element->click();
        ++$this->taps;

        return $this;
    }

    /** A field touched and filled in. */
    public function type(string $css, string $text): self
    {
        $this->one($css)->sendKeys($text);
        ++$this->taps;

        return $this;
    }

    public function picture(string $file): void
    {
        $this->driver->takeScreenshot($file);
    }

    public function quit(): void
    {
        $this->driver->quit();
    }

    private function leave(mixed $before): self
    {
        ++$this->pages;
        $this->driver->wait(10, 30)->until(static function (RemoteWebDriver $driver) use ($before): bool {
            try {
                return $before !== $driver->executeScript('return performance.timeOrigin;');
            } catch (\Facebook\WebDriver\Exception\WebDriverException) {
                return false;
            }
        });

        return $this->ready();
    }
}
