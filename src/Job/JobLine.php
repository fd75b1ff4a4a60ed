<?php

declare(strict_types=1);

namespace App\Job;

use Doctrine\ORM\Mapping as ORM;
use Rodrel\Core\Job\Stage;
use Symfony\Component\Uid\Uuid;

/** One line of the list of jobs: a projection of the log, written with each entry and rebuildable. */
#[ORM\Entity(repositoryClass: JobLineRepository::class)]
#[ORM\Table(name: 'job_line')]
#[ORM\Index(name: 'job_line_open', columns: ['stage', 'touched_at'])]
#[ORM\Index(name: 'job_line_words', columns: ['search'])]
#[ORM\Index(name: 'job_line_items', columns: ['open_items', 'touched_at'])]
class JobLine
{
    #[ORM\Id]
    #[ORM\Column(type: 'uuid')]
    private Uuid $jobId;

    #[ORM\Column(length: 120)]
    public string $unit;

    #[ORM\Column(length: 60)]
    public string $preset;

    /** @var array<string, mixed> */
    #[ORM\Column(type: 'json', options: ['jsonb' => true])]
    public array $parts = [];

    #[ORM\Column(length: 20, enumType: Stage::class)]
    public Stage $stage = Stage::Intake;

    #[ORM\Column(type: 'text')]
    public string $complaint = '';

    #[ORM\Column(type: 'text')]
    public string $next = '';

    /** @var array<string, array{complaint: string, next: string}> the two above by language */
    #[ORM\Column(type: 'json', options: ['jsonb' => true, 'default' => '{}'])]
    public array $said = [];

    /** open, unknown (not looked at yet) or closed (seen unsafe) */
    #[ORM\Column(length: 10)]
    public string $road = 'unknown';

    /** @var array<string, float> mass by place */
    #[ORM\Column(type: 'json', options: ['jsonb' => true])]
    public array $hotSpots = [];

    #[ORM\Column]
    public int $openItems = 0;

    #[ORM\Column]
    public int $head = 0;

    #[ORM\Column(type: 'uuid', nullable: true)]
    public ?Uuid $who = null;

    #[ORM\Column(type: 'datetimetz_immutable')]
    public \DateTimeImmutable $openedAt;

    #[ORM\Column(type: 'datetimetz_immutable')]
    public \DateTimeImmutable $touchedAt;

    #[ORM\Column(type: 'text')]
    public string $search = '';

    public function __construct(Job $job)
    {
        $this->jobId = $job->id();
        $this->openedAt = $this->touchedAt = $job->openedAt();
        $this->of($job);
    }

    /** Which vehicle it is: that can be mended. */
    public function of(Job $job): void
    {
        $this->unit = $job->unit();
        $this->preset = $job->preset();
        $this->parts = $job->parts();
    }

    public function complaintIn(string $language): string
    {
        return $this->said[$language]['complaint'] ?? $this->complaint;
    }

    public function nextIn(string $language): string
    {
        return $this->said[$language]['next'] ?? $this->next;
    }

    public function jobId(): Uuid
    {
        return $this->jobId;
    }
}
