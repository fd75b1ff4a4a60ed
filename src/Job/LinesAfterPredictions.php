<?php

declare(strict_types=1);

namespace App\Job;

use App\Prediction\ComputeSignature;
use Symfony\Component\Messenger\Attribute\AsMessageHandler;

/** Jobs that waited for the predictions of their kind of vehicle get their lines once they are there. */
#[AsMessageHandler(priority: -10)]
final readonly class LinesAfterPredictions
{
    public function __construct(private Projector $projector)
    {
    }

    public function __invoke(ComputeSignature $message): void
    {
        $preset = $message->document['id'] ?? '';
        $this->projector->openOnes(\is_string($preset) ? $preset : '');
    }
}
