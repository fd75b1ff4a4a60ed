<?php

declare(strict_types=1);

namespace App\Desk;

use App\Job\JobLineRepository;
use App\Job\JobRepository;
use App\Job\ReadJob;
use App\Shop\ShopSettings;
use Rodrel\Core\Job\PathTaken;

/** What the checks of finished jobs took, against the book's order. */
final readonly class JobPaths
{
    private const LAST = 12;

    public function __construct(
        private JobLineRepository $lines,
        private JobRepository $jobs,
        private ReadJob $readJob,
        private ShopSettings $shop,
    ) {
    }

    /** @return array{jobs: int, minutes: int, book: int, cents: float}|null null where none is finished */
    public function ofTheLast(): ?array
    {
        $settings = $this->shop->isolation();
        $minutes = $book = 0.0;
        $jobs = 0;
        foreach ($this->lines->finished(self::LAST) as $id) {
            $job = $this->jobs->find($id);
            if (null !== $job) {
                $path = PathTaken::of(($this->readJob)($job)->state, $settings->times);
                ++$jobs;
                $minutes += $path->minutes;
                $book += $path->bookMinutes;
            }
        }

        return 0 === $jobs ? null : [
            'jobs' => $jobs,
            'minutes' => (int) round($minutes),
            'book' => (int) round($book),
            'cents' => ($book - $minutes) * $settings->labour->rateCentsPerMinute,
        ];
    }
}
