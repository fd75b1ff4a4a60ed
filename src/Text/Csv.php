<?php

declare(strict_types=1);

namespace App\Text;

/** A table as commas and quotes, which no program takes for formulas. */
final readonly class Csv
{
    /** @param iterable<list<string>> $rows */
    public static function of(iterable $rows): string
    {
        $stream = fopen('php://temp', 'w+') ?: throw new \RuntimeException('no memory for a file');
        foreach ($rows as $row) {
            fputcsv($stream, array_map(self::harmless(...), $row), ',', '"', '');
        }
        rewind($stream);

        return (string) stream_get_contents($stream);
    }

    /** No cell begins as a formula does, whatever stands before the sign; numbers stay numbers. */
    public static function harmless(string $cell): string
    {
        $begins = 1 === preg_match('/^[\s\x{00A0}\x{200B}\x{FEFF}]*[=+\-@＝＋－＠|%]|^[\t\r\n]/u', $cell);

        return $begins && !is_numeric($cell) ? "'".$cell : $cell;
    }
}
