<?php

declare(strict_types=1);

namespace App\Job;

use Rodrel\Core\Isolation\Judgement;
use Rodrel\Core\Isolation\Suspicion;
use Rodrel\Core\Isolation\Walk;
use Rodrel\Core\Job\Guessing;
use Rodrel\Core\Job\JobState;
use Rodrel\Core\Job\Stage;
use Rodrel\Core\Road\Yardstick;
use Rodrel\Core\Vehicle\Layout;
use Rodrel\Core\Vocabulary\GroupAt;

/** A job with everything that follows from its log; what is believed of it is looked up when it is first asked for. */
final class LoadedJob
{
    public readonly Layout $layout;
    private ?Judgement $judgement = null;
    private bool $judged = false;
    /** @var list<string>|null */
    private ?array $odd = null;

    /**
     * @param list<JobEntry> $log
     * @param bool $ownHead practised without advice
     */
    public function __construct(
        public readonly Job $job,
        public readonly array $log,
        public readonly JobState $state,
        private readonly Judge $judge,
        private readonly bool $ownHead = false,
    ) {
        $this->layout = $state->layout();
    }

    /** What would settle a repair that somebody thinks of; null while the predictions are being computed. */
    public function suspicion(GroupAt $group): ?Suspicion
    {
        return $this->keepsSilent() ? null : $this->judge->suspicion($this, $group);
    }

    /** What the job would have cost without a check; null where that cannot be said. */
    public function guessing(): ?Guessing
    {
        return $this->keepsSilent() ? null : $this->judge->guessing($this);
    }

    /** Nothing is believed aloud of a job that somebody practises with his own head, until it is ended. */
    public function keepsSilent(): bool
    {
        return $this->ownHead && Stage::Done !== $this->state->stage;
    }

    /** Null while the predictions are still being computed, and where nothing is said. */
    public function judgement(): ?Judgement
    {
        if (!$this->judged && !$this->keepsSilent()) {
            $this->judgement = $this->judge->of($this);
            $this->judged = true;
        }

        return $this->judgement;
    }

    /** The round to walk now; a practice vehicle answers sheet by sheet. */
    public function walk(): ?Walk
    {
        return $this->job->isPractice() ? null : $this->judgement()?->advice->walk;
    }

    /** The sequence number of the newest entry: what the Bench polls for. */
    public function head(): int
    {
        return $this->last()?->seq() ?? 0;
    }

    /**
     * Which laws of ordinary braking its figures break; presets break none, so that only composed vehicles and those
     * with figures of their own are asked.
     *
     * @return list<string> see Yardstick
     */
    public function odd(): array
    {
        $asked = [] !== $this->job->parts() || [] !== $this->state->story->figures();

        return $this->odd ??= $asked ? (new Yardstick($this->layout))->broken() : [];
    }

    public function id(): string
    {
        return $this->job->id()->toRfc4122();
    }

    public function last(): ?JobEntry
    {
        return [] === $this->log ? null : $this->log[\count($this->log) - 1];
    }
}
