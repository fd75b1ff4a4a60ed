<?php

declare(strict_types=1);

namespace App\Tests\Browser;

use PHPUnit\Framework\TestCase;

/** A real browser at the server that ./rodrel test has started. */
abstract class BrowserTestCase extends TestCase
{
    private ?Chrome $open = null;

    protected function chrome(int $width = 1280, int $height = 800, bool $touch = false): Chrome
    {
        $this->open?->quit();

        return $this->open = Chrome::open((string) getenv('RODREL_TEST_URL'), (string) getenv('RODREL_TEST_DRIVER'), $width, $height, $touch);
    }

    protected function tearDown(): void
    {
        if (null !== $this->open) {
            if ($this->status()->isFailure() || $this->status()->isError()) {
                @mkdir(\dirname(__DIR__, 2).'/var/screenshots', 0o775, true);
                $this->open->picture(\dirname(__DIR__, 2).'/var/screenshots/'.$this->name().'.png');
            }
            $this->open->quit();
            $this->open = null;
        }
    }

    /** Nothing may be complained about in the browser's console: a blocked script, a missing file. */
    protected function assertQuietConsole(Chrome $chrome): void
    {
        $loud = array_filter($chrome->driver->manage()->getLog('browser'), static fn (array $line): bool => 'SEVERE' === $line['level'] && !str_contains($line['message'], 'status of 422') && !str_contains($line['message'], 'status of 404'));
        self::assertSame([], array_column($loud, 'message'));
    }
}
