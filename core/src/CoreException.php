<?php

declare(strict_types=1);

namespace Rodrel\Core;

/** Marks every failure that the core raises on purpose; catch this to catch them all. */
interface CoreException extends \Throwable
{
}
