<?php

declare(strict_types=1);

namespace App\Exchange;

use Rodrel\Core\Isolation\Field;
use Rodrel\Core\Trial\Shelf;

/** What a command that keeps running need not work out again. */
final class Warm
{
    /** @var array<string, Field> by the key of the predictions */
    public array $fields = [];
    /** @var array<string, Shelf> */
    public array $shelves = [];
}
