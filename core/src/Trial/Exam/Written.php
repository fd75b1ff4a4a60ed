<?php

declare(strict_types=1);

namespace Rodrel\Core\Trial\Exam;

use Rodrel\Core\InvalidData;

/** One job of the examination as it was written down: a hidden fault, and what every check would show of it. */
final readonly class Written
{
    private const TITLE = '== ';

    /**
     * @param list<string> $lines what its checks show, as written
     * @param array<string, list<string>> $after the same once a repair was carried out
     */
    public function __construct(
        public string $id,
        public Told $told,
        public Truth $truth,
        public array $lines,
        public array $after,
    ) {
    }

    /**
     * @param string $text the file
     *
     * @return array<string, self> by id
     *
     * @throws InvalidData where a job is written in no known way
     */
    public static function all(string $text): array
    {
        $jobs = [];
        $lines = array_filter(
            array_map(trim(...), explode("\n", $text)),
            static fn (string $line): bool => '' !== $line && !str_starts_with($line, '#'),
        );
        $block = [];
        foreach ([...array_values($lines), self::TITLE] as $line) {
            if (str_starts_with($line.' ', self::TITLE)) {
                if ([] !== $block) {
                    $job = self::one($block);
                    $jobs[$job->id] = $job;
                }
                $block = [];
            }
            $block[] = $line;
        }

        return $jobs;
    }

    /** @param non-empty-list<string> $block */
    private static function one(array $block): self
    {
        $id = trim(substr(array_shift($block), \strlen(self::TITLE)));
        $head = array_map(trim(...), explode('|', array_shift($block) ?? ''));
        if (\count($head) < 3) {
            throw InvalidData::at('/'.$id, 'vehicles | complaints | pattern are expected');
        }
        $right = $also = $lines = $after = [];
        $minutes = 0.0;
        $kind = $then = '';
        foreach ($block as $line) {
            $words = self::words($line);
            $first = array_shift($words);
            if ('right' === $first) {
                $right = $words;
            } elseif ('also' === $first) {
                $also = $words;
            } elseif ('minutes' === $first) {
                [$minutes, $kind] = [(float) ($words[0] ?? 0.0), $words[2] ?? ''];
            } elseif ('then' === $first) {
                $then = $words[0] ?? '';
                $after[$then] = [];
            } elseif ('' === $then) {
                $lines[] = $line;
            } else {
                $after[$then][] = $line;
            }
        }
        if ($minutes <= 0.0 || '' === $kind) {
            throw InvalidData::at('/'.$id, '"minutes N kind KIND" is expected');
        }

        return new self(
            $id,
            new Told(self::words($head[0]), self::words($head[1]), $head[2], \array_slice($head, 3)),
            new Truth($right, $also, $minutes, $kind),
            $lines,
            $after,
        );
    }

    /** @return list<string> */
    public static function words(string $line): array
    {
        return array_values(array_filter(explode(' ', $line), static fn (string $word): bool => '' !== $word));
    }

    /** The same with left and right changed over, on another vehicle. */
    public function mirrored(string $id, string $vehicle): self
    {
        $after = [];
        foreach ($this->after as $group => $lines) {
            $after[self::mirror($group)] = self::mirrors($lines);
        }

        return new self(
            $id,
            new Told(
                [$vehicle],
                self::mirrors($this->told->complaints),
                $this->told->pattern,
                self::mirrors($this->told->known),
            ),
            new Truth(
                self::mirrors($this->truth->right),
                self::mirrors($this->truth->also),
                $this->truth->minutes,
                $this->truth->kind,
            ),
            self::mirrors($this->lines),
            $after,
        );
    }

    /** @param list<string> $lines more that its checks show */
    public function with(string $id, string $vehicle, array $lines): self
    {
        return new self(
            $id,
            new Told([$vehicle], $this->told->complaints, $this->told->pattern, $this->told->known),
            $this->truth,
            [...$this->lines, ...$lines],
            array_map(static fn (array $after): array => [...$after, ...$lines], $this->after),
        );
    }

    /**
     * @param list<string> $texts
     *
     * @return list<string>
     */
    private static function mirrors(array $texts): array
    {
        return array_map(self::mirror(...), $texts);
    }

    private static function mirror(string $text): string
    {
        $over = ['lf' => 'rf', 'rf' => 'lf', 'lr' => 'rr', 'rr' => 'lr', 'left' => 'right', 'right' => 'left'];

        return (string) preg_replace_callback(
            '/(?<![a-z])(lf|rf|lr|rr)(?![a-z])|(?<=pulls-|to-the-)(left|right)|(left|right)(?=-weak|-slower)/',
            static fn (array $found): string => $over[$found[0]],
            $text,
        );
    }
}
