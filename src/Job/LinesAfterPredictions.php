<?php

declare(strict_types=1);

namespace App\Job;

use App\Prediction\ComputePairs;
use App\Prediction\ComputeSignature;
use Symfony\Component\Messenger\Attribute\AsMessageHandler;

/** Jobs that waited for predictions get their lines once they are there. */
final readonly class LinesAfterPredictions
{
    public function __construct(private Projector $projector)
    {
    }

    #[AsMessageHandler(priority: -10)]
    public function ofAKind(ComputeSignature $message): void
    {
        $preset = $message->document['id'] ?? '';
        $this->projector->openOnes(\is_string($preset) ? $preset : '');
    }

    #[AsMessageHandler(handles: ComputePairs::class, priority: -10)]
    public function provisional(): void
    {
        $this->projector->provisional();
    }
}
