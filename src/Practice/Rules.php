<?php

declare(strict_types=1);

namespace App\Practice;

use App\Shop\ShopSettings;
use Rodrel\Core\Catalogue\Catalogue;

/** By what a way through a job is judged: the catalogue and the shop's own figures. */
final readonly class Rules
{
    public function __construct(public Catalogue $catalogue, public ShopSettings $shop)
    {
    }
}
