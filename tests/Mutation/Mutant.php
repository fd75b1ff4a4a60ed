<?php

declare(strict_types=1);

namespace App\Tests\Mutation;

/** One small change to one file. */
final readonly class Mutant
{
    /**
     * @param string $path under the project
     * @param int $from first byte replaced
     * @param int $to first byte after it
     * @param string $there what stood there
     */
    public function __construct(
        public string $path,
        public int $line,
        public int $from,
        public int $to,
        public string $instead,
        public string $there,
    ) {
    }

    /** What stays the same while the file does. */
    public function id(string $code): string
    {
        return substr(hash('sha256', implode("\0", [$this->path, (string) $this->from, $this->instead, $code])), 0, 16);
    }

    public function applied(string $code): string
    {
        return substr_replace($code, $this->instead, $this->from, $this->to - $this->from);
    }

    public function said(): string
    {
        $there = (string) preg_replace('/\s+/', ' ', $this->there);

        return \sprintf(
            '%s:%d  %s  →  %s',
            $this->path,
            $this->line,
            mb_strimwidth($there, 0, 60, '…'),
            '' === $this->instead ? '(nothing)' : $this->instead,
        );
    }
}
