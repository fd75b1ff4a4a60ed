<?php

declare(strict_types=1);

namespace Rodrel\Core\Vocabulary;

/** A fault where it may sit: `hose.one-way@lf`. */
final readonly class SuspectAt extends IdAt
{
}
