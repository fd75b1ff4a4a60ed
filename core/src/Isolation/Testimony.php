<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\InvalidData;
use Rodrel\Core\Vocabulary\GroupAt;

/**
 * What the driver said, as one piece of evidence: every complaint a statement with its own chance under every fault,
 * whatever drivers call it, and when it happens. All of it together keeps a floor, so that nothing that drivers say
 * makes a fault less than a small share of what it was; in which order he said it changes nothing. That the brakes are
 * sound has the chance that its complaint gives it.
 */
final readonly class Testimony
{
    private const COMPLAINT = 'complaint';
    private const LEAST = 1e-12;
    /** What a fault makes drivers say less often than so many times the average it does not explain (estimate). */
    private const EXPLAINS = 0.5;

    /**
     * @param list<int> $readings which readings it is made of
     * @param array<int, float> $logs by hypothesis
     */
    private function __construct(public array $readings, public array $logs)
    {
    }

    /**
     * @param array<int, Reading> $said readings that the driver was asked, by their place among all
     * @param float|null $sound chance that the brakes are sound, of vehicles of which that is said; null: not known
     */
    public static function of(Field $field, Opening $opening, array $said, Drivers $drivers, ?float $sound): ?self
    {
        if ([] === $said) {
            return null;
        }
        $chances = array_fill(0, \count($opening->weights), 1.0);
        foreach ($said as $reading) {
            foreach ([...array_values($reading->outcomes), ...$reading->also] as $word) {
                foreach (self::statement($field, $reading, $word, $drivers) as $i => $chance) {
                    $chances[$i] *= $reading->unsure ? sqrt($chance) : $chance;
                }
            }
        }
        $mean = 0.0;
        foreach ($opening->weights as $i => $weight) {
            $mean += $weight * $chances[$i];
        }
        $floor = $drivers->floor * $mean;
        $logs = [];
        foreach ($chances as $i => $chance) {
            $logs[$i] = log(max(self::LEAST, (1.0 - $drivers->floor) * $chance + $floor));
        }
        $nothing = $field->nothing();
        if (null !== $nothing && null !== $sound && $opening->weights[$nothing] > 0.0) {
            $others = 0.0;
            foreach ($opening->weights as $i => $weight) {
                $others += $i === $nothing ? 0.0 : $weight * exp($logs[$i]);
            }
            $own = $sound / (1.0 - $sound) * $others / $opening->sound($field);
            $logs[$nothing] = log(max(self::LEAST, $own));
        }

        return new self(array_keys($said), $logs);
    }

    /**
     * How well hypotheses fit what was said, against all of them together.
     *
     * @param array<int, true> $members
     */
    public function fits(Opening $opening, array $members): float
    {
        $all = $weight = $own = 0.0;
        foreach ($opening->weights as $i => $one) {
            $said = $one * exp($this->logs[$i]);
            $all += $said;
            $own += isset($members[$i]) ? $said : 0.0;
            $weight += isset($members[$i]) ? $one : 0.0;
        }

        return $weight > 0.0 ? $own / $weight / max(1e-300, $all) : 0.0;
    }

    /**
     * What a repair does not explain of all that was said: how likely each hypothesis is to make the driver say that.
     *
     * @param list<GroupAt> $changed
     *
     * @return array<int, float>|null by single fault; null where it explains everything
     */
    public static function unexplained(Belief $before, array $changed): ?array
    {
        $names = array_flip(array_map(strval(...), $changed));
        $field = $before->field;
        $factors = array_fill(0, \count($field->particles), 1.0);
        $some = false;
        foreach ($before->readings as $reading) {
            if (self::COMPLAINT !== $reading->check->id) {
                continue;
            }
            foreach ([...array_values($reading->outcomes), ...$reading->also] as $word) {
                $chances = self::statement($field, $reading, $word, $field->knowledge->drivers);
                $all = $own = $weight = 0.0;
                foreach ($field->particles as $i => $particle) {
                    $all += $before->opening->weights[$i] * $chances[$i];
                    $mass = isset($names[(string) $particle->group]) ? $before->weights->posterior[$i] ?? 0.0 : 0.0;
                    $own += $mass * $chances[$i];
                    $weight += $mass;
                }
                if ($weight <= 0.0 || $own / $weight >= self::EXPLAINS * $all) {
                    continue;
                }
                $some = true;
                foreach ($factors as $i => $factor) {
                    $factors[$i] = $factor * ($chances[$i] + $field->knowledge->drivers->floor * $all);
                }
            }
        }

        return $some ? $factors : null;
    }

    /**
     * One thing that the driver said.
     *
     * @return array<int, float> chance by hypothesis
     */
    private static function statement(Field $field, Reading $reading, string $word, Drivers $drivers): array
    {
        $signature = $field->row($reading->check, '');
        $at = array_search($word, $signature['words'], true);
        if (!\is_int($at)) {
            throw InvalidData::at('/'.$reading->check, \sprintf('"%s" is not an outcome', $word));
        }
        $calls = self::COMPLAINT === $reading->check->id ? $drivers->calls($word, $signature['words']) : [$at => 1.0];
        $table = [];
        foreach ($signature['table'] as $chances) {
            $chance = 0.0;
            foreach ($calls as $meant => $share) {
                $chance += $share * $chances[$meant];
            }
            $table[] = $chance;
        }
        $byHypothesis = array_map(static fn (int $entry): float => $table[$entry], $signature['index']);
        foreach ($field->composed as [$i, $j]) {
            // whichever of two faults he tells of, he tells of
            $byHypothesis[] = 1.0 - (1.0 - $byHypothesis[$i]) * (1.0 - $byHypothesis[$j]);
        }

        return $byHypothesis;
    }
}
