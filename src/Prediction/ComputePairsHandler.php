<?php

declare(strict_types=1);

namespace App\Prediction;

use Symfony\Component\Messenger\Attribute\AsMessageHandler;

/** The worker's side of the predictions of pairs. */
#[AsMessageHandler]
final readonly class ComputePairsHandler
{
    public function __construct(private StoredPairs $pairs)
    {
    }

    public function __invoke(ComputePairs $message): void
    {
        $this->pairs->compute($message->document, $message->pairs);
    }
}
