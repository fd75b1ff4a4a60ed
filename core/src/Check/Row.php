<?php

declare(strict_types=1);

namespace Rodrel\Core\Check;

use Rodrel\Core\Check\Observer\Observer;
use Rodrel\Core\Vocabulary\Corner;

/** One line of answers on a check's sheet. A row that stands for a wheel knows which. */
final readonly class Row
{
    /**
     * @param string $id '' where the check has one answer
     * @param string $onlyIf `row/word` of the same sheet without which its answer says nothing; '' for none
     */
    public function __construct(
        public string $id,
        public ?Corner $corner,
        public Observer $observer,
        private string $onlyIf = '',
    ) {
    }

    /**
     * Whether its answer says anything beside the others of its sheet.
     *
     * @param array<string, string> $outcomes word by row
     */
    public function counts(array $outcomes): bool
    {
        if ('' === $this->onlyIf) {
            return true;
        }
        [$row, $word] = explode('/', $this->onlyIf);

        return $word === ($outcomes[$row] ?? $word);
    }
}
