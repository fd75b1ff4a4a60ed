<?php

declare(strict_types=1);

namespace App\Job;

use App\Catalogue\SourceHash;
use App\Prediction\DatabaseShelf;
use App\Prediction\Predictions;
use App\Prediction\StoredPairs;
use App\Shop\ShopSettings;
use Doctrine\DBAL\Connection;
use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Isolation\Field;
use Rodrel\Core\Isolation\Judgement;
use Rodrel\Core\Isolation\Suspicion;
use Rodrel\Core\Job\Diagnosis;
use Rodrel\Core\Job\Guessing;
use Rodrel\Core\Job\JobState;
use Rodrel\Core\Log\Entry;
use Rodrel\Core\Log\Payload\BledPayload;
use Rodrel\Core\Log\Payload\FindingPayload;
use Rodrel\Core\Log\Payload\IntakePayload;
use Rodrel\Core\Log\Payload\ReadingPayload;
use Rodrel\Core\Log\Payload\RepairedPayload;
use Rodrel\Core\Vehicle\Composer;
use Rodrel\Core\Vocabulary\GroupAt;

/**
 * What is believed of a job, computed once for what it rests on and kept: the key holds that, the shop's settings and
 * prices, the catalogue, the predictions and the sources that judge. A page reads it; a step or a note changes nothing.
 */
final readonly class Judge
{
    public function __construct(
        private Connection $database,
        private Catalogue $catalogue,
        private Predictions $predictions,
        private StoredPairs $pairs,
        private ShopSettings $shop,
        private SourceHash $sources,
    ) {
    }

    /** Null while the predictions are still being computed. */
    public function of(LoadedJob $loaded): ?Judgement
    {
        $sound = $loaded->state->sound();
        if (null === $sound) {
            return null;
        }
        $settings = $this->shop->isolation();
        $key = hash(
            'sha256',
            serialize([
                self::restsOn($loaded->state),
                $settings,
                $this->catalogue->hash,
                $this->predictions->key($loaded->layout),
                $this->sources->judging(),
            ]),
        );
        $kept = $this->kept($loaded, $key);
        if (null !== $kept) {
            return $kept;
        }
        [$diagnosis, $shelf] = $this->diagnosis($loaded) ?? [null, null];
        if (null === $diagnosis || null === $shelf) {
            return null;
        }
        $judgement = $diagnosis->judgement();
        $this->database->executeStatement(
            'INSERT INTO judgement (job_id, key, data, missing) VALUES (:job, :key, :data, :missing)
                ON CONFLICT (job_id) DO UPDATE SET key = :key, data = :data, missing = :missing',
            [
                'job' => $loaded->id(),
                'key' => $key,
                'data' => json_encode($judgement->toArray(), \JSON_THROW_ON_ERROR | \JSON_PRESERVE_ZERO_FRACTION),
                'missing' => json_encode($shelf->missing, \JSON_THROW_ON_ERROR),
            ],
        );

        return $judgement;
    }

    /** One that lacks pairs is provisional: it stands until the worker has them all, and is made again then. */
    private function kept(LoadedJob $loaded, string $key): ?Judgement
    {
        $kept = $this->database->fetchAssociative(
            'SELECT data, missing FROM judgement WHERE job_id = ? AND key = ?',
            [$loaded->id(), $key],
        );
        if (false === $kept || !\is_string($kept['data']) || !\is_string($kept['missing'])) {
            return null;
        }
        $missing = json_decode($kept['missing'], true);
        $data = json_decode($kept['data'], true);
        if (!\is_array($data) || !\is_array($missing)) {
            return null;
        }
        $missing = array_values(array_filter($missing, is_string(...)));

        return [] === $missing || $this->pairs->areAwaited($missing)
            ? Judgement::fromArray($data, $this->catalogue->checks)
            : null;
    }

    /** What would settle a repair that somebody thinks of; null while the predictions are still being computed. */
    public function suspicion(LoadedJob $loaded, GroupAt $group): ?Suspicion
    {
        [$diagnosis] = null === $loaded->state->sound() ? [null] : $this->diagnosis($loaded) ?? [null];

        return null === $diagnosis ? null : Suspicion::of(
            $diagnosis->belief,
            $loaded->state->situation,
            $this->shop->isolation(),
            $group,
        );
    }

    /** What the job would have cost without a check; null where that cannot be said. */
    public function guessing(LoadedJob $loaded): ?Guessing
    {
        $field = null === $loaded->state->sound() ? null : $this->field($loaded);
        $findings = $loaded->state->story->entriesOf(FindingPayload::class);
        $cured = [] === $findings ? null : $findings[\count($findings) - 1]->payload->group;
        $settings = $this->shop->isolation();

        return null === $field || null === $cured
            ? null
            : Guessing::of(Diagnosis::told($field, $loaded->state, $settings), $cured, $settings);
    }

    private function field(LoadedJob $loaded): ?Field
    {
        $signature = $this->predictions->signature($loaded->layout);

        return null === $signature
            ? null
            : Field::of($this->catalogue->knowledge(), $loaded->layout, $signature);
    }

    /** @return array{Diagnosis, DatabaseShelf}|null */
    private function diagnosis(LoadedJob $loaded): ?array
    {
        $field = $this->field($loaded);
        if (null === $field) {
            return null;
        }
        $job = $loaded->job;
        $document = Composer::withOwnFigures(
            $this->catalogue->vehicle($job->preset(), $job->parts()),
            $loaded->state->story->figures(),
        );
        $shelf = $this->pairs->shelf($document);

        return [Diagnosis::of($field, $loaded->state, $this->shop->isolation(), $shelf), $shelf];
    }

    /**
     * What a belief rests on: what was said and read, repaired and bled, epoch by epoch, and how the vehicle stands.
     *
     * @return array<array-key, mixed>
     */
    private static function restsOn(JobState $state): array
    {
        $chapters = [];
        foreach ($state->story->chapters as $chapter) {
            $entries = [
                ...$chapter->entriesOf(IntakePayload::class),
                ...$chapter->entriesOf(ReadingPayload::class),
                ...$chapter->entriesOf(RepairedPayload::class),
                ...$chapter->entriesOf(BledPayload::class),
            ];
            $chapters[] = array_map(static fn (Entry $entry): array => [$entry->id, $entry->payload], $entries);
        }

        return [$chapters, $state->situation];
    }
}
