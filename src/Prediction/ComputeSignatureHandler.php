<?php

declare(strict_types=1);

namespace App\Prediction;

use Symfony\Component\Messenger\Attribute\AsMessageHandler;

/** The worker's side of a prediction. */
#[AsMessageHandler]
final readonly class ComputeSignatureHandler
{
    public function __construct(private Predictions $predictions)
    {
    }

    public function __invoke(ComputeSignature $message): void
    {
        $this->predictions->compute($message->document);
    }
}
