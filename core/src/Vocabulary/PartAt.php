<?php

declare(strict_types=1);

namespace Rodrel\Core\Vocabulary;

/** A part where it is fitted, or one that was fitted lately: `caliper@lf`. */
final readonly class PartAt extends IdAt
{
}
