<?php

declare(strict_types=1);

namespace Rodrel\Core\Vocabulary;

/** What is taken apart where: `drum@lr`, `relay@vehicle`. */
final readonly class ApartAt extends IdAt
{
}
