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
    /**
     * @param array<string, Written> $jobs
     * @param list<string> $sound lines of a sound vehicle
     * @param Lists $lists
     */
    private function __construct(
        private Catalogue $catalogue,
        private Visit $visit,
        public array $jobs,
        private array $sound,
        private array $lists,
    ) {
    }

    /**
     * @param string $jobs text of jobs.txt
     * @param string $sound text of sound.txt
     * @param string $lists JSON of lists.json
     * @param \DateTimeImmutable $day on which all come in
     */
    public static function of(
        string $jobs,
        string $sound,
        string $lists,
        Catalogue $catalogue,
        Settings $settings,
        \DateTimeImmutable $day,
    ): self {
        /** @var Lists $read */
        $read = json_decode($lists, true, 512, \JSON_THROW_ON_ERROR);
        $lines = array_values(array_filter(
            array_map(trim(...), explode("\n", $sound)),
            static fn (string $line): bool => '' !== $line && !str_starts_with($line, '#'),
        ));

        return new self(
            $catalogue,
            new Visit(new Arrival(), [], $settings, $day),
            Written::all($jobs),
            $lines,
            $read,
        );
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
        $sheet = new Sheet($job, $this->catalogue->checks, $field->layout, $this->sound, $this->visit, $slips);
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
