<?php

declare(strict_types=1);

namespace Rodrel\Core\Trial\Exam;

use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Isolation\Field;
use Rodrel\Core\Isolation\Settings;
use Rodrel\Core\Log\Payload\Arrival;
use Rodrel\Core\Prediction\SoundSignature;
use Rodrel\Core\Trial\Play;
use Rodrel\Core\Trial\Shelf;
use Rodrel\Core\Trial\Visit;
use Rodrel\Core\Vocabulary\CheckAt;

/**
 * The written examination as it lies in its folder: the jobs, what a sound vehicle answers, what a technician would do.
 *
 * @phpstan-import-type Marked from Sitting
 *
 * @phpstan-type Lists array{always: string, sensible: array<string, string>, never: array<string, string>}
 */
final readonly class Paper
{
    private const DAY = '2026-03-02 08:00:00';

    /**
     * @param array<string, Written> $jobs
     * @param list<string> $sound lines of a sound vehicle
     * @param Lists $lists
     */
    private function __construct(
        private Catalogue $catalogue,
        private Settings $settings,
        public array $jobs,
        private array $sound,
        private array $lists,
    ) {
    }

    /** @param string $folder with jobs.txt, sound.txt and lists.json */
    public static function in(string $folder, Catalogue $catalogue, Settings $settings): self
    {
        $file = static fn (string $name): string => (string) file_get_contents($folder.'/'.$name);
        /** @var Lists $lists */
        $lists = json_decode($file('lists.json'), true, 512, \JSON_THROW_ON_ERROR);
        $sound = array_values(array_filter(
            array_map(trim(...), explode("\n", $file('sound.txt'))),
            static fn (string $line): bool => '' !== $line && !str_starts_with($line, '#'),
        ));

        return new self($catalogue, $settings, Written::all($file('jobs.txt')), $sound, $lists);
    }

    /**
     * One job played on a vehicle whose predictions are there.
     *
     * @param CheckAt|null $slips where an answer is mistaken
     *
     * @return Marked
     */
    public function sit(Written $job, ?CheckAt $slips, Field $field, SoundSignature $known, Shelf $shelf): array
    {
        $visit = new Visit(new Arrival(), [], $this->settings, new \DateTimeImmutable(self::DAY));
        $sheet = new Sheet($job, $this->catalogue->checks, $field->layout, $this->sound, $visit, $slips);
        $kind = $job->truth->kind;

        return Sitting::of(
            $job,
            new Play($this->catalogue, $field->layout, $known, $field, $sheet, $shelf),
            [
                'sensible' => Written::words($this->lists['always'].' '.($this->lists['sensible'][$kind] ?? '')),
                'never' => Written::words($this->lists['never'][$kind] ?? ''),
            ],
        );
    }
}
