<?php

declare(strict_types=1);

namespace App\Tests\Mutation;

/** A test run in another process in which one file of the core reads as a mutant. */
final class Victim
{
    public const KILLED = 'killed';
    public const SURVIVED = 'survived';
    public const TIMEOUT = 'timeout';
    private const SECONDS_AT_MOST = 150;
    private const JIT = [
        '-d',
        'opcache.enable_cli=1',
        '-d',
        'opcache.jit=function',
        '-d',
        'opcache.jit_buffer_size=64M',
    ];

    /** @param resource $process */
    private function __construct(private $process, private readonly string $file, private ?string $verdict = null)
    {
    }

    /**
     * @param string $path under the project, of the file that is replaced
     * @param string $code what it reads as
     * @param string $filter of PHPUnit
     */
    public static function start(
        string $root,
        string $path,
        string $code,
        string $filter,
        string $suites = 'core,scenario',
    ): self {
        $file = (string) tempnam(sys_get_temp_dir(), 'rodrel-mutant');
        file_put_contents($file, $code);
        $command = [
            'timeout',
            (string) self::SECONDS_AT_MOST,
            'php',
            '-d',
            'memory_limit=1G',
            ...self::JIT,
            'vendor/bin/phpunit',
            '--testsuite',
            $suites,
            '--stop-on-defect',
            '--order-by=duration',
            '--do-not-cache-result',
            '--no-progress',
            '--no-extensions',
            '--filter',
            $filter,
        ];
        $void = ['file', '/dev/null', 'w'];
        $environment = ['RODREL_MUTANT' => $path, 'RODREL_MUTANT_FILE' => $file] + getenv();
        $process = proc_open($command, [1 => $void, 2 => $void], $pipes, $root, $environment);

        return new self(
            \is_resource($process) ? $process : throw new \RuntimeException('PHPUnit could not be started.'),
            $file,
        );
    }

    /** Null while it runs. */
    public function verdict(): ?string
    {
        if (null === $this->verdict) {
            $status = proc_get_status($this->process);
            if ($status['running']) {
                return null;
            }
            unlink($this->file);
            $this->verdict = match ($status['exitcode']) {
                0 => self::SURVIVED,
                124 => self::TIMEOUT,
                default => self::KILLED,
            };
        }

        return $this->verdict;
    }

    public function wait(): string
    {
        while (null === ($verdict = $this->verdict())) {
            usleep(20_000);
        }

        return $verdict;
    }
}
