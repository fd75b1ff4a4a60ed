<?php

declare(strict_types=1);

namespace App\Prediction;

/**
 * Runs tasks in two processes, on two cores: whoever is free takes the next. The child only computes and is ended
 * without any of its own clean-up, so that it never touches this process's connections; what it leaves undone, this
 * process does itself. While a task runs signals wait: one that interrupts compiled code changes its results
 * (`docs/decisions/0006-just-in-time.md`).
 */
final class SideBySide
{
    /** So few are done before another process has begun. */
    private const WORTH_TWO = 2;

    /**
     * @template T
     *
     * @param list<\Closure(): T> $tasks whose results can be serialized
     * @param \Closure(int, T, int): void $done number of the task, what it gave, and how many are begun
     */
    public static function run(array $tasks, \Closure $done): void
    {
        $desk = tempnam(sys_get_temp_dir(), 'rodrel-');
        if (false === $desk || \count($tasks) < self::WORTH_TWO || !\function_exists('pcntl_fork')) {
            foreach ($tasks as $n => $task) {
                $done($n, self::undisturbed($task), $n + 1);
            }

            return;
        }
        $child = pcntl_fork();
        if (0 === $child) {
            self::asChild($tasks, $desk);
        }
        $mine = [];
        while (($n = self::next($desk)) < \count($tasks)) {
            $done($n, self::undisturbed($tasks[$n]), min(\count($tasks), $n + 2));
            $mine[$n] = true;
        }
        if ($child > 0) {
            pcntl_waitpid($child, $status);
        }
        $theirs = self::results($desk);
        foreach ($tasks as $n => $task) {
            if (!isset($mine[$n])) {
                $done($n, \array_key_exists($n, $theirs) ? $theirs[$n] : self::undisturbed($task), \count($tasks));
            }
        }
        array_map(unlink(...), array_filter([$desk, $desk.'.done'], is_file(...)));
    }

    /**
     * @template T
     *
     * @param \Closure(): T $task
     *
     * @return T
     */
    public static function undisturbed(\Closure $task): mixed
    {
        if (!\function_exists('pcntl_async_signals')) {
            return $task();
        }
        $async = pcntl_async_signals(false);
        try {
            return $task();
        } finally {
            pcntl_async_signals($async);
            if ($async) {
                pcntl_signal_dispatch();
            }
        }
    }

    /** @param list<\Closure(): mixed> $tasks */
    private static function asChild(array $tasks, string $desk): never
    {
        pcntl_async_signals(false);
        try {
            while (($n = self::next($desk)) < \count($tasks)) {
                $line = base64_encode(serialize([$n, $tasks[$n]()]))."\n";
                file_put_contents($desk.'.done', $line, \FILE_APPEND);
            }
        } catch (\Throwable) {
            // the other process does this task again and says what is wrong
        }
        posix_kill((int) getmypid(), \SIGKILL);
        exit;
    }

    /** Counts up in a file: each number is given once. */
    private static function next(string $desk): int
    {
        $file = fopen($desk, 'c+');
        if (false === $file || !flock($file, \LOCK_EX)) {
            throw new \RuntimeException('Cannot write to '.\dirname($desk).'; make room there, or make it writable.');
        }
        $next = (int) stream_get_contents($file);
        rewind($file);
        fwrite($file, (string) ($next + 1));
        fclose($file);

        return $next;
    }

    /** @return array<int, mixed> */
    private static function results(string $desk): array
    {
        $results = [];
        foreach (is_file($desk.'.done') ? (file($desk.'.done', \FILE_IGNORE_NEW_LINES) ?: []) : [] as $line) {
            $read = @unserialize((string) base64_decode($line, true));
            if (\is_array($read) && \is_int($read[0] ?? null)) {
                $results[$read[0]] = $read[1];
            }
        }

        return $results;
    }
}
