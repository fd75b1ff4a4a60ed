<?php

declare(strict_types=1);

namespace Rodrel\Core\Log\Payload;

use Rodrel\Core\Shape;

/** Beside a signed finding: why another than the leading group was signed, and the hashes of what judged. */
final readonly class FindingNotes
{
    public function __construct(
        public string $against = '',
        public string $catalogue = '',
        public string $signature = '',
    ) {
    }

    public static function read(Shape $shape): self
    {
        return new self($shape->text('against', ''), $shape->text('catalogue', ''), $shape->text('signature', ''));
    }

    /** @return array{against: string, catalogue: string, signature: string} */
    public function write(): array
    {
        return ['against' => $this->against, 'catalogue' => $this->catalogue, 'signature' => $this->signature];
    }
}
