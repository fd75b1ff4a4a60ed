<?php

declare(strict_types=1);

namespace App\Exchange;

use Symfony\Component\Process\PhpExecutableFinder;
use Symfony\Component\Process\Process;

/** Starts the running command again in parts, each a process of its own that is told `--part=n/of`. */
final readonly class Parts
{
    /**
     * @param string $memory what a part may take, as PHP writes it
     * @param float $seconds after which a part is given up
     *
     * @return list<Process> started; their output wants to be taken while they run
     */
    public static function start(int $of, string $projectDir, string $memory, float $seconds): array
    {
        $php = [(string) (new PhpExecutableFinder())->find(), '-d', 'memory_limit='.$memory];
        $jit = ['-d', 'opcache.enable_cli=1', '-d', 'opcache.jit=function', '-d', 'opcache.jit_buffer_size=64M'];
        $own = \array_slice((array) $_SERVER['argv'], 1);
        $parts = [];
        for ($n = 0; $n < $of; ++$n) {
            $command = [...$php, ...$jit, $projectDir.'/bin/console', ...$own, '--part='.$n.'/'.$of];
            $parts[] = $part = new Process($command, $projectDir, null, null, $seconds);
            $part->start();
        }

        return $parts;
    }
}
