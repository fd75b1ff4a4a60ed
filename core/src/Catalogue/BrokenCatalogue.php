<?php

declare(strict_types=1);

namespace Rodrel\Core\Catalogue;

use Rodrel\Core\CoreException;

/** A catalogue that cannot be used, with everything that is wrong in it. */
final class BrokenCatalogue extends \InvalidArgumentException implements CoreException
{
    /** @param non-empty-list<array{path: string, line: int|null, what: string}> $mistakes */
    private function __construct(public readonly array $mistakes)
    {
        parent::__construct(implode("\n", array_map(self::said(...), $mistakes)));
    }

    /**
     * @param non-empty-list<array{path: string, line: int|null, what: string}> $mistakes path of file and JSON pointer
     */
    public static function with(array $mistakes): self
    {
        return new self($mistakes);
    }

    /** @param array{path: string, line: int|null, what: string} $mistake */
    private static function said(array $mistake): string
    {
        return $mistake['path']
            .(null === $mistake['line'] ? '' : ' (line '.$mistake['line'].')')
            .': '
            .$mistake['what'];
    }
}
