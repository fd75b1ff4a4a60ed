<?php

declare(strict_types=1);

namespace Rodrel\Core\Physics;

/** What rubs on what: disc or drum, μ, the radius in m, and drag in N·m that no fluid causes. */
final readonly class Rubbing
{
    public function __construct(
        public bool $disc,
        public float $friction,
        public float $radiusM,
        public float $extraDragNm,
    ) {
    }
}
