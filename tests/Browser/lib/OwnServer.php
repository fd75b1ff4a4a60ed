<?php

declare(strict_types=1);

namespace App\Tests\Browser\lib;

/** A server of the test's own, on the shop of the browser tests: its network can be cut and mended. */
final class OwnServer
{
    /** @var resource|null */
    private $process;

    private function __construct(public readonly int $port)
    {
    }

    public static function open(): self
    {
        $socket = stream_socket_server('tcp://127.0.0.1:0') ?: throw new \RuntimeException('No port is free.');
        $name = (string) stream_socket_get_name($socket, false);
        fclose($socket);
        $server = new self((int) substr($name, (int) strrpos($name, ':') + 1));
        $server->mend();

        return $server;
    }

    public function url(): string
    {
        return 'http://127.0.0.1:'.$this->port;
    }

    public function cut(): void
    {
        if (null !== $this->process) {
            proc_terminate($this->process, 9);
            proc_close($this->process);
            $this->process = null;
        }
    }

    public function mend(): void
    {
        $root = \dirname(__DIR__, 3);
        $env = [
            'APP_ENV' => 'browser',
            'APP_DEBUG' => '0',
            'DATABASE_URL' => (string) getenv('RODREL_BROWSER_DATABASE_URL'),
            'MESSENGER_TRANSPORT_DSN' => 'in-memory://',
        ] + getenv();
        $command = [\PHP_BINARY, '-S', '127.0.0.1:'.$this->port, '-t', 'public', 'tests/Browser/lib/router.php'];
        $quiet = [['file', '/dev/null', 'r'], ['file', '/dev/null', 'w'], ['file', '/dev/null', 'w']];
        $this->process = proc_open($command, $quiet, $pipes, $root, $env) ?: null;
        for ($i = 0; $i < 100 && false === @file_get_contents($this->url().'/alive'); ++$i) {
            usleep(100_000);
        }
    }
}
