<?php

declare(strict_types=1);

namespace App\Account;

use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** The languages that pages speak: each is a folder of `translations/`. */
final readonly class Languages
{
    /** Everything else is compared with it, and falls back on it. */
    public const FIRST = 'en';

    /** @param non-empty-list<string> $all codes, the first language's first */
    public function __construct(#[Autowire('%rodrel.languages%')] public array $all)
    {
    }

    /**
     * @param string $folder of texts, one folder a language
     *
     * @return non-empty-list<string> codes, the first language's first
     */
    public static function in(string $folder): array
    {
        $codes = array_map(basename(...), glob($folder.'/*', \GLOB_ONLYDIR) ?: []);

        return [self::FIRST, ...array_values(array_diff($codes, [self::FIRST]))];
    }

    /** The first language where one is not there any more. */
    public function known(string $language): string
    {
        return \in_array($language, $this->all, true) ? $language : self::FIRST;
    }
}
