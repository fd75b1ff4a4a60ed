<?php

declare(strict_types=1);

namespace Rodrel\Core\Vocabulary;

/** A repair where it is carried out: `hose@lf`. Suspects that the same repair cures are one group. */
final readonly class GroupAt extends IdAt
{
}
