<?php

declare(strict_types=1);

namespace App\Inboard;

use App\Job\LoadedJob;
use App\Prediction\Predictions;
use App\Text\Say;
use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Fault\Particles;
use Rodrel\Core\Isolation\Likeness;
use Rodrel\Core\Isolation\Reading;
use Rodrel\Core\Vocabulary\CheckAt;
use Rodrel\Core\Vocabulary\SuspectAt;

/** The suspects that lead a job, and the numbers that they would show. */
final readonly class Leading
{
    private const SHOWN = 3;
    private const SHOWN_FROM = 0.01;
    private const NINETEEN_OF_TWENTY = 1.96; // standard deviations (normal law)

    public function __construct(private Predictions $predictions, private Catalogue $catalogue, private Say $say)
    {
    }

    /**
     * @param list<string> $rows keys of rows with numbers
     *
     * @return list<array{suspect: SuspectAt, name: string, mass: float, shows: array<string, float>}> heaviest first
     */
    public function of(LoadedJob $loaded, array $rows): array
    {
        $judgement = $loaded->judgement();
        $signature = null === $judgement ? null : $this->predictions->signature($loaded->layout);
        if (null === $judgement || null === $signature) {
            return [];
        }
        $particles = Particles::of($this->catalogue->faults, $loaded->layout);
        $typed = $this->typed($loaded);
        $leading = [];
        foreach (\array_slice($judgement->suspects, 0, self::SHOWN, true) as $suspect => $mass) {
            if ($mass >= self::SHOWN_FROM) {
                $at = SuspectAt::parse($suspect);
                $leading[] = [
                    'suspect' => $at,
                    'name' => $this->say->suspect($at),
                    'mass' => $mass,
                    'shows' => Likeness::of($signature, $particles, $at, $rows, $typed),
                ];
            }
        }

        return $leading;
    }

    /**
     * Between what and what nineteen of twenty sound vehicles of this kind are read.
     *
     * @param list<string> $rows of the check, with numbers
     *
     * @return array<string, array{float, float}> least and most by row key, in core units; none before the model is in
     */
    public function sound(LoadedJob $loaded, CheckAt $at, array $rows): array
    {
        $sound = $loaded->state->sound();
        if (null === $sound) {
            return [];
        }
        $check = $this->catalogue->checks->of($at);
        $band = [];
        foreach ($rows as $row) {
            $wording = ($check->row($row) ?? $check->firstRow())->observer->wording;
            $median = max($wording->floor, $sound->median($at, $row));
            $spread = exp(self::NINETEEN_OF_TWENTY * $wording->noise);
            $band[$at->row($row)] = [$median / $spread, $median * $spread];
        }

        return $band;
    }

    /** @return array<string, float> every standing number of this epoch by row key, in core units */
    public function typed(LoadedJob $loaded): array
    {
        $typed = [];
        foreach ($loaded->state->situation->readings as $reading) {
            foreach ($reading->numbers as $row => $number) {
                $typed[$reading->check->row((string) $row)] = $number;
            }
        }

        return $typed;
    }

    /** The standing reading of a check of the whole vehicle, or at a place. */
    public function reading(LoadedJob $loaded, string $check): ?Reading
    {
        return $loaded->state->situation->reading(CheckAt::parse($check));
    }
}
