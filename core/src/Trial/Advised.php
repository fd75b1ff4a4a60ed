<?php

declare(strict_types=1);

namespace Rodrel\Core\Trial;

use Rodrel\Core\Isolation\Verdict;
use Rodrel\Core\Vocabulary\CheckAt;

/** Does what the program says. */
final readonly class Advised implements Policy
{
    public static function id(): string
    {
        return 'rodrel';
    }

    public function next(Play $play, Verdict $verdict): ?CheckAt
    {
        return $verdict->next?->at;
    }
}
