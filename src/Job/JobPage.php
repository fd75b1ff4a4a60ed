<?php

declare(strict_types=1);

namespace App\Job;

use App\Text\Say;
use Rodrel\Core\Job\Stage;

/** What every page of a job shows around its own matter: title, stages, what is next, open items. */
final readonly class JobPage
{
    private const ROUTES = [
        'intake' => 'job_intake',
        'bench' => 'job_bench',
        'finding' => 'job_finding',
        'repair' => 'job_repair',
        'bleed' => 'job_bleed',
        'proof' => 'job_proof',
        'done' => 'job_report',
    ];

    /** @param list<array{id: string, label: string, route: string, state: string, current: bool}> $stages */
    private function __construct(
        public string $complaint,
        public array $stages,
        public Next $next,
        public string $here,
        private LoadedJob $loaded,
    ) {
    }

    public function id(): string
    {
        return $this->loaded->id();
    }

    public function vehicle(): string
    {
        return (string) $this->loaded->job->vehicleId();
    }

    public function unit(): string
    {
        return $this->loaded->job->unit();
    }

    public function head(): int
    {
        return $this->loaded->head();
    }

    /** Lines of the visit's work list, the finding's own among them; none without a finding. */
    public function workLines(): int
    {
        $story = $this->loaded->state->story;

        return null === $story->finding() ? 0 : 1 + \count($story->lines());
    }

    public function openItems(): int
    {
        return \count($this->loaded->state->story->openItems());
    }

    /** How far the knowledge reaches into it: foot, unit, wet-discs or air. */
    public function reach(): string
    {
        return $this->loaded->layout->reach()->value;
    }

    public function isPractice(): bool
    {
        return $this->loaded->job->isPractice();
    }

    /** Ended: what the practice vehicle had may be told. */
    public function isDebriefed(): bool
    {
        return $this->isPractice() && Stage::Done === $this->loaded->state->stage;
    }

    /** Its figures brake like no vehicle of its kind. */
    public function odd(): bool
    {
        return [] !== $this->loaded->odd();
    }

    public static function of(LoadedJob $loaded, string $here, Say $say, NextThing $next): self
    {
        $reached = $loaded->state->stage->position();
        $stages = [];
        foreach (Stage::cases() as $stage) {
            $stages[] = [
                'id' => $stage->value,
                'label' => $say->ui('stage.'.$stage->value),
                'route' => self::ROUTES[$stage->value],
                'state' => $stage->position() < $reached ? 'past' : ($stage->position() === $reached ? 'now' : 'ahead'),
                'current' => $stage->value === $here,
            ];
        }

        return new self(
            $say->complaint($loaded->state->story->intake()),
            $stages,
            $next($loaded),
            $here,
            $loaded,
        );
    }
}
