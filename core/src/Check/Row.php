<?php

declare(strict_types=1);

namespace Rodrel\Core\Check;

use Rodrel\Core\Check\Observer\Observer;
use Rodrel\Core\Vocabulary\Corner;

/** One line of answers on a check's sheet. A row that stands for a wheel knows which. */
final readonly class Row
{
    /** @param string $id '' where the check has one answer */
    public function __construct(public string $id, public ?Corner $corner, public Observer $observer)
    {
    }
}
