<?php

declare(strict_types=1);

namespace App\Heat;

use Rodrel\Core\Vocabulary\CheckAt;

/** One heat round as a page shows it. */
final readonly class RoundView
{
    /**
     * @param array{name: string, at: \DateTimeImmutable, air: float} $head
     * @param array<string, array<string, mixed>> $wheels by corner
     * @param array<string, array{apart: int, hotter: string|null, cold: string|null}> $axles
     * @param array{said: string, tau: int|null, stops: int, driven: string, doubtful: bool, after: bool} $told
     * @param array<string, float> $over kelvins over the air at the stop
     */
    public function __construct(
        public CheckAt $check,
        public int $epoch,
        public array $head,
        public array $wheels,
        public array $axles,
        public array $told,
        public array $over,
    ) {
    }
}
