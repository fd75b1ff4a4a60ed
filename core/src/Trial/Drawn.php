<?php

declare(strict_types=1);

namespace Rodrel\Core\Trial;

/** What was drawn, as the count knows it. */
final readonly class Drawn
{
    /**
     * @param string $truth suspects
     * @param bool $outside it fails in a way that the catalogue lacks
     */
    public function __construct(public string $preset, public string $truth, public bool $outside)
    {
    }
}
