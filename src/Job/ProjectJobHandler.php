<?php

declare(strict_types=1);

namespace App\Job;

use Symfony\Component\Messenger\Attribute\AsMessageHandler;

/** The worker's side of the lines. */
#[AsMessageHandler]
final readonly class ProjectJobHandler
{
    public function __construct(private Projector $projector)
    {
    }

    public function __invoke(ProjectJob $message): void
    {
        $this->projector->project($message->id);
    }
}
