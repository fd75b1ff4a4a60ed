<?php

declare(strict_types=1);

namespace App\Practice;

use App\Job\JobRepository;
use App\Job\LoadedJob;
use App\Job\Practices;
use App\Job\ReadJob;
use App\Prediction\HiddenVehicles;
use App\Prediction\Predictions;
use App\Prediction\SideBySide;
use Rodrel\Core\Isolation\Field;
use Rodrel\Core\Log\Entry;
use Rodrel\Core\Prediction\SoundSignature;
use Rodrel\Core\Trial\Advised;
use Rodrel\Core\Trial\ByTheBook;
use Rodrel\Core\Trial\Move;
use Rodrel\Core\Trial\Play;
use Rodrel\Core\Trial\Policy;
use Rodrel\Core\Trial\Retrace;
use Rodrel\Core\Trial\Rigged;
use Rodrel\Core\Trial\Visit;
use Rodrel\Core\Vocabulary\CheckAt;
use Rodrel\Core\Vocabulary\GroupAt;
use Symfony\Component\Messenger\Attribute\AsMessageHandler;
use Symfony\Component\Uid\Uuid;

/** The worker's side of a debrief: the way through the job gone once more, and two others at the same vehicle. */
#[AsMessageHandler]
final readonly class ComputeDebriefHandler
{
    public function __construct(
        private JobRepository $jobs,
        private ReadJob $readJob,
        private Practices $practices,
        private PracticeVehicle $vehicle,
        private HiddenVehicles $vehicles,
        private Predictions $predictions,
        private Rules $rules,
    ) {
    }

    public function __invoke(ComputeDebrief $message): void
    {
        $job = $this->jobs->find(Uuid::fromString($message->job));
        $loaded = null === $job ? null : ($this->readJob)($job);
        $truth = null === $loaded ? null : $this->vehicle->truth($loaded);
        $signature = null === $loaded ? null : $this->predictions->signature($loaded->layout);
        $sound = $loaded?->state->sound();
        if (null === $job || null === $truth || null === $signature || null === $sound) {
            return;
        }
        $field = Field::of($this->rules->catalogue->knowledge(), $loaded->layout, $signature);
        $cure = $truth[0]->cure();
        $this->practices->keepDebrief($job->id(), SideBySide::undisturbed(fn (): array => [
            'truth' => (string) $cure,
            'suspect' => (string) $truth[1],
            'mine' => $this->mine($loaded, $field, $sound, $cure),
            'others' => [
                Advised::id() => $this->other(new Advised(), $loaded, $field, $sound, $cure),
                ByTheBook::id() => $this->other(new ByTheBook(), $loaded, $field, $sound, $cure),
            ],
        ]));
    }

    /** @return array<string, mixed> */
    private function mine(LoadedJob $loaded, Field $field, SoundSignature $sound, GroupAt $cure): array
    {
        $log = array_values(array_filter(array_map(static fn ($one): ?Entry => $one->readable(), $loaded->log)));
        $retrace = Retrace::of(
            $this->rules->catalogue,
            $loaded->layout,
            $sound,
            $field,
            $this->rules->shop->isolation(),
            $log,
            $cure,
        );
        $array = static fn (Move $move): array => $move->toArray();

        return [
            'moves' => array_map($array, $retrace->moves),
            'costliest' => array_map($array, $retrace->costliest(3)),
            'wrong' => $retrace->wrong,
            'cured' => $retrace->cured,
            'minutes' => $retrace->minutes,
            'cents' => $retrace->wrongCents,
            'forced' => $retrace->forced,
        ];
    }

    /** @return array<string, mixed> */
    private function other(
        Policy $policy,
        LoadedJob $loaded,
        Field $field,
        SoundSignature $sound,
        GroupAt $cure,
    ): array {
        $told = $loaded->state->story->intake() ?? throw new \LogicException('A practice job has an intake.');
        $seed = $this->practices->seed($loaded->job->id()) ?? throw new \LogicException('It is a practice job.');
        $preset = $loaded->job->preset();
        $rigged = new Rigged(
            $told,
            new Visit($told->arrival, [], $this->rules->shop->isolation(), $loaded->job->openedAt()),
            $cure,
            fn (CheckAt $at, int $time): array => ($this->vehicles->drawn($preset, $seed, $at.' '.$time)[0]
                ?? throw new \LogicException('Its predictions are there.'))->answer($at),
        );
        $play = new Play($this->rules->catalogue, $loaded->layout, $sound, $field, $rigged);

        return $rigged->walk($policy, $play);
    }
}
