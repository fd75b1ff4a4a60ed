<?php

declare(strict_types=1);

namespace App\Text;

/** Large and small letters where sentences are put together, as the language of the page has them. */
final class Letters
{
    /** Languages that write their nouns with a large letter. */
    private const LARGE_NOUNS = ['de', 'lb'];

    /** As it begins a line. */
    public static function up(string $text): string
    {
        return mb_strtoupper(mb_substr($text, 0, 1)).mb_substr($text, 1);
    }

    /** As it stands within one: nouns keep their large letter where a language writes them so. */
    public static function inner(string $text): string
    {
        return \in_array(\Locale::getPrimaryLanguage(\Locale::getDefault()), self::LARGE_NOUNS, true)
            ? $text
            : mb_strtolower($text);
    }

    /** A figure with the point or comma of the language. */
    public static function number(string $figure): string
    {
        $written = new \NumberFormatter(\Locale::getDefault(), \NumberFormatter::DECIMAL);

        return str_replace('.', $written->getSymbol(\NumberFormatter::DECIMAL_SEPARATOR_SYMBOL), $figure);
    }
}
