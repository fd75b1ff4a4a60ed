<?php

declare(strict_types=1);

namespace Rodrel\Core\Prediction;

use Rodrel\Core\Check\Asked;
use Rodrel\Core\Check\Check;
use Rodrel\Core\Check\Checks;
use Rodrel\Core\Check\Complaint\Complaints;
use Rodrel\Core\Check\Instruments;
use Rodrel\Core\Check\Observer\Seen;
use Rodrel\Core\Check\Row;
use Rodrel\Core\Check\Subject;
use Rodrel\Core\Fault\Fault;
use Rodrel\Core\Fault\Faults;
use Rodrel\Core\Fault\Particle;
use Rodrel\Core\Fault\Particles;
use Rodrel\Core\InvalidData;
use Rodrel\Core\Physics\Effects;
use Rodrel\Core\Vehicle\Layout;
use Rodrel\Core\Vocabulary\Place;
use Rodrel\Core\Vocabulary\SuspectAt;

/**
 * Simulates faults in one layout through every check's procedure and asks the observers. Runs of the sound vehicle
 * and what faults have in common are made once, for the life of the object.
 *
 * @phpstan-import-type PredictedRow from FaultSignature
 */
final class Prediction
{
    private readonly Subject $sound;
    private readonly Instruments $instruments;
    private ?SoundSignature $soundSignature = null;
    /** @var array<string, array{Check, Place, Row}> by row key, once they were asked for */
    private array $rows = [];

    public function __construct(
        private readonly Layout $layout,
        private readonly Checks $checks,
        Complaints $complaints,
        private readonly PredictionKeys $keys,
        float $tolerance = 1.0,
    ) {
        $this->instruments = new Instruments($layout, $tolerance);
        $this->sound = Subject::sane($this->instruments, $checks, $complaints);
    }

    public function simulations(): int
    {
        return $this->instruments->simulator->simulations();
    }

    public function sound(): SoundSignature
    {
        if (null === $this->soundSignature) {
            $chances = $medians = [];
            foreach ($this->rows() as $key => [$check, $place, $row]) {
                $seen = $row->observer->see($this->sound, Asked::of($check, $place, $row), null);
                $chances[$key] = $this->rounded($row->observer->wording->withBlunder($seen->chances));
                if (null !== $seen->median) {
                    $medians[$key] = Figures::kept($seen->median);
                }
            }
            $this->soundSignature = new SoundSignature($this->keys->sound($this->layout), $chances, $medians);
        }

        return $this->soundSignature;
    }

    public function fault(Fault $fault): FaultSignature
    {
        return $this->ofFault($fault, Particles::ofFault($fault, $this->layout));
    }

    /** The parts in which a fault may be computed, each by another process; one where it has few severities. */
    public function parts(Fault $fault, int $most = 2): FaultParts
    {
        return FaultParts::of($fault, $this->layout, $most);
    }

    public function part(FaultParts $parts, int $part): FaultSignature
    {
        return $this->ofFault($parts->fault, $parts->particles($part));
    }

    /** @param list<Particle> $particles */
    private function ofFault(Fault $fault, array $particles): FaultSignature
    {
        $sets = array_map(static fn (Particle $one): array => [$one], $particles);

        return $this->signature($this->keys->fault($this->layout, $fault), $fault->id, $sets);
    }

    /**
     * Two faults in one vehicle, a few severities of each.
     *
     * @throws InvalidData when one of them cannot sit there
     */
    public function pair(Faults $faults, SuspectAt $one, SuspectAt $other): FaultSignature
    {
        $sets = [];
        foreach (Particles::few($faults, $this->layout, $one) as $first) {
            foreach (Particles::few($faults, $this->layout, $other) as $second) {
                $sets[] = [$first, $second];
            }
        }

        return $this->signature($this->keys->pair($this->layout, $one, $other), $one.' '.$other, $sets);
    }

    /** @param list<non-empty-list<Particle>> $sets what is in one vehicle together */
    private function signature(string $key, string $name, array $sets): FaultSignature
    {
        $before = $this->simulations();
        $subjects = [];
        foreach ($sets as $set) {
            $effects = Effects::none();
            foreach ($set as $particle) {
                $effects = $effects->together($particle->effects);
            }
            $subjects[] = $this->sound->with($effects);
        }
        $rows = [];
        foreach ($this->rows() as $row => [$check, $place, $of]) {
            $predicted = $this->row($sets, $subjects, $check, $place, $of, $this->sound()->chances[$row]);
            if (null !== $predicted) {
                $rows[$row] = $predicted;
            }
        }

        return new FaultSignature($key, $name, \count($sets), $rows, $this->simulations() - $before);
    }

    /**
     * What faults that are in one vehicle together show in one row.
     *
     * @param list<Particle> $particles
     */
    public static function see(array $particles, Subject $subject, Check $check, Place $place, Row $row): Seen
    {
        return self::seen($particles, $subject, Asked::of($check, $place, $row), $check, $row);
    }

    /** @param list<Particle> $particles */
    private static function seen(array $particles, Subject $subject, Asked $asked, Check $check, Row $row): Seen
    {
        $sign = null;
        foreach ($particles as $particle) {
            $own = $row->observer->sign($particle, $subject, $asked, $check, $row);
            $sign = null === $sign || null === $own ? $sign ?? $own : $row->observer->together($sign, $own);
        }

        return $row->observer->see($subject, $asked, $sign);
    }

    /**
     * @param list<non-empty-list<Particle>> $sets
     * @param list<Subject> $subjects
     * @param non-empty-list<float> $soundChances
     *
     * @return PredictedRow|null null where nothing differs
     */
    private function row(
        array $sets,
        array $subjects,
        Check $check,
        Place $place,
        Row $row,
        array $soundChances,
    ): ?array {
        $table = $index = $medians = [];
        $known = [Figures::print($soundChances) => -1];
        $differs = false;
        $before = $print = null;
        $asked = Asked::of($check, $place, $row);
        foreach ($sets as $n => $set) {
            $seen = self::seen($set, $subjects[$n], $asked, $check, $row);
            if (null === $print || $seen->chances !== $before) {
                $before = $seen->chances;
                $chances = $this->rounded($row->observer->wording->withBlunder($before));
                $print = Figures::print($chances);
                if (!isset($known[$print])) {
                    $known[$print] = \count($table);
                    $table[] = $chances;
                }
            }
            $index[] = $known[$print];
            if (null !== $seen->median) {
                $medians[] = Figures::kept($seen->median);
            }
            $differs = $differs || -1 !== $known[$print] || [] !== $medians;
        }

        return $differs
            ? ['table' => $table, 'index' => $index] + ([] === $medians ? [] : ['medians' => $medians])
            : null;
    }

    /** @return array<string, array{Check, Place, Row}> by row key */
    private function rows(): array
    {
        if ([] === $this->rows) {
            foreach ($this->checks as $check) {
                foreach ($check->places->in($this->layout) as $place) {
                    foreach ($check->rows as $row) {
                        $this->rows[$check->at($place)->row($row->id)] = [$check, $place, $row];
                    }
                }
            }
        }

        return $this->rows;
    }

    /**
     * @param non-empty-list<float> $chances
     *
     * @return non-empty-list<float>
     */
    private function rounded(array $chances): array
    {
        return array_map(Figures::kept(...), $chances);
    }
}
