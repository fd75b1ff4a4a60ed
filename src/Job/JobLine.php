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
#[ORM\Index(name: 'job_line_due', columns: ['due'])]
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

    /** @var array<string, mixed> what the driver said: the intake's payload; empty before it */
    #[ORM\Column(type: 'json', options: ['jsonb' => true, 'default' => '{}'])]
    public array $told = [];

    /** @var array<string, mixed> see NextAct */
    #[ORM\Column(type: 'json', options: ['jsonb' => true, 'default' => '{}'])]
    public array $next = [];

    /** open, unknown (not looked at yet) or closed (seen unsafe) */
    #[ORM\Column(length: 10)]
    public string $road = 'unknown';

    /** @var array<string, float> mass by place */
    #[ORM\Column(type: 'json', options: ['jsonb' => true])]
    public array $hotSpots = [];

    #[ORM\Column]
    public int $openItems = 0;

    /** The first day by which something of it is due. */
    #[ORM\Column(type: 'date_immutable', nullable: true)]
    public ?\DateTimeImmutable $due = null;

    #[ORM\Column]
    public int $head = 0;

    #[ORM\Column(type: 'uuid', nullable: true)]
    public ?Uuid $who = null;

    #[ORM\Column(type: 'datetimetz_immutable')]
    public \DateTimeImmutable $openedAt;

    #[ORM\Column(type: 'datetimetz_immutable')]
    public \DateTimeImmutable $touchedAt;

    /** Every word of it in every language of the shop, in lower case: found by, never shown. */
    #[ORM\Column(type: 'text')]
    public string $search = '';

    /** The code, rules and texts that made it, hashed: a line made by others is made again. */
    #[ORM\Column(length: 64, options: ['default' => ''])]
    public string $madeBy = '';

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

    public function jobId(): Uuid
    {
        return $this->jobId;
    }
}
