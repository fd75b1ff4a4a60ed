<?php

declare(strict_types=1);

namespace App\Report;

/** A finished visit in words that a person without training understands. */
final readonly class CustomerPage
{
    /**
     * @param string $state repaired, unsafe, not-shown or open
     * @param string $told what the driver said, in the words of the job
     * @param list<string> $means what that means
     * @param list<array{sentence: string, means: string, known: list<string>}> $found
     * @param list<string> $done
     * @param list<array{name: string, passed: bool, reason: string}> $tests after the repair
     * @param list<array{text: string, due: string, safety: bool}> $advice safety first
     * @param array{cents: float, estimated: bool}|null $cost null before anything was repaired
     * @param list<string> $languages other than this one
     */
    public function __construct(
        public string $language,
        public array $languages,
        public string $state,
        public ?\DateTimeImmutable $handedOver,
        public string $told,
        public array $means,
        public array $found,
        public array $done,
        public array $tests,
        public array $advice,
        public ?array $cost,
    ) {
    }
}
