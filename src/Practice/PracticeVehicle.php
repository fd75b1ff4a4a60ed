<?php

declare(strict_types=1);

namespace App\Practice;

use App\Job\LoadedJob;
use App\Job\Practices;
use App\Prediction\HiddenVehicles;
use App\Text\Say;
use App\Text\Units;
use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Job\Stage;
use Rodrel\Core\Log\Payload\ReadingPayload;
use Rodrel\Core\Log\Payload\RepairedPayload;
use Rodrel\Core\Quantity\Quantity;
use Rodrel\Core\Rig\HiddenVehicle;
use Rodrel\Core\Vocabulary\CheckAt;
use Rodrel\Core\Vocabulary\SuspectAt;

/**
 * The invented vehicle of a practice job: it answers every sheet by itself, words too, with the noise of a real one.
 * Once what it has was repaired it answers as a sound one.
 */
final readonly class PracticeVehicle
{
    /** What the air is on a practice day (°C). */
    private const AIR_C = 18.0;

    public function __construct(
        private HiddenVehicles $vehicles,
        private Practices $practices,
        private Catalogue $catalogue,
        private Say $say,
        private Units $units,
    ) {
    }

    /**
     * What is wrong with it, once the job is ended and not before; null where it is not, or is no practice.
     *
     * @return array{HiddenVehicle, SuspectAt}|null
     */
    public function truth(LoadedJob $loaded): ?array
    {
        return Stage::Done === $loaded->state->stage ? $this->of($loaded, '') : null;
    }

    /**
     * @return array{words: array<string, string>, numbers: array<string, string>, air: string, said: string}|null by
     *     row, numbers as they would be typed; null while its predictions are being computed
     */
    public function answer(LoadedJob $loaded, CheckAt $at): ?array
    {
        $readings = $loaded->state->story->entriesOf(ReadingPayload::class);
        $turn = \count(array_filter($readings, static fn ($entry): bool => $entry->payload->check->is($at)));
        [$vehicle] = $this->of($loaded, $at.' '.$turn) ?? [null];
        if (null === $vehicle) {
            return null;
        }
        $check = $this->catalogue->checks->of($at);
        $words = $numbers = [];
        foreach ($this->cured($loaded, $vehicle) ? $this->sound($loaded, $at) : $vehicle->answer($at) as $row => $one) {
            $typed = ($check->row((string) $row) ?? $check->firstRow())->observer->typed;
            if (\is_float($one) && null !== $typed) {
                $core = $check->isHeat() ? self::AIR_C + $one : $one;
                $numbers[$row] = $this->units->say($core, $typed->quantity, $typed->unit);
            } elseif (\is_string($one)) {
                $words[$row] = $one;
            }
        }

        return [
            'words' => $words,
            'numbers' => $numbers,
            'air' => $this->units->say(self::AIR_C, Quantity::Temperature),
            'said' => $this->said($at, $words, $numbers),
        ];
    }

    /** @return array{HiddenVehicle, SuspectAt}|null */
    private function of(LoadedJob $loaded, string $asked): ?array
    {
        $seed = $loaded->job->isPractice() ? $this->practices->seed($loaded->job->id()) : null;

        return null === $seed ? null : $this->vehicles->drawn($loaded->job->preset(), $seed, $asked);
    }

    private function cured(LoadedJob $loaded, HiddenVehicle $vehicle): bool
    {
        foreach ($loaded->state->story->entriesOf(RepairedPayload::class) as $entry) {
            if ($entry->payload->group->is($vehicle->cure())) {
                return true;
            }
        }

        return false;
    }

    /** @return array<string, string|float> */
    private function sound(LoadedJob $loaded, CheckAt $at): array
    {
        $sound = $loaded->state->sound();
        if (null === $sound) {
            return [];
        }
        $answers = [];
        foreach ($this->catalogue->checks->of($at)->rows as $row) {
            $chances = $sound->chances[$at->row($row->id)];
            $answers[$row->id] = isset($sound->medians[$at->row($row->id)])
                ? $sound->median($at, $row->id)
                : $row->observer->words()[(int) array_search(max($chances), $chances, true)];
        }

        return $answers;
    }

    /**
     * @param array<string, string> $words
     * @param array<string, string> $numbers
     */
    private function said(CheckAt $at, array $words, array $numbers): string
    {
        $said = [] === $words ? [] : [$this->say->outcome($at, $words)];
        foreach ($numbers as $row => $number) {
            $said[] = ('' === (string) $row ? '' : $this->say->row($at, (string) $row).' ').$number;
        }

        return $this->say->ui('practice.shows', ['what' => implode(', ', $said)]);
    }
}
