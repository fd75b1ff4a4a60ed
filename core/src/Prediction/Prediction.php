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
use Rodrel\Core\Fault\Particle;
use Rodrel\Core\Fault\Particles;
use Rodrel\Core\Vehicle\Layout;
use Rodrel\Core\Vocabulary\Place;

/**
 * Simulates faults in one layout through every check's procedure and asks the observers. Runs of the sound vehicle
 * and what faults have in common are made once, for the life of the object.
 */
final class Prediction
{
    private readonly Subject $sound;
    private readonly Instruments $instruments;
    private ?SoundSignature $soundSignature = null;

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
                    $medians[$key] = $this->six($seen->median);
                }
            }
            $this->soundSignature = new SoundSignature($this->keys->sound($this->layout), $chances, $medians);
        }

        return $this->soundSignature;
    }

    public function fault(Fault $fault): FaultSignature
    {
        $before = $this->simulations();
        $particles = Particles::ofFault($fault, $this->layout);
        $subjects = array_map(fn (Particle $particle): Subject => $this->sound->with($particle->effects), $particles);
        $rows = [];
        foreach ($this->rows() as $key => [$check, $place, $row]) {
            $predicted = $this->row($particles, $subjects, $check, $place, $row, $this->sound()->chances[$key]);
            if (null !== $predicted) {
                $rows[$key] = $predicted;
            }
        }
        $spent = $this->simulations() - $before;

        return new FaultSignature(
            $this->keys->fault($this->layout, $fault),
            $fault->id,
            \count($particles),
            $rows,
            $spent,
        );
    }

    /** What one particle shows in one row. */
    public static function see(Particle $particle, Subject $subject, Check $check, Place $place, Row $row): Seen
    {
        $asked = Asked::of($check, $place, $row);
        $sign = $particle->place->meets($asked->spot()) ? $particle->fault->signs->of($check->id, $row->id) : null;

        return $row->observer->see($subject, $asked, $sign);
    }

    /**
     * @param list<Particle> $particles
     * @param list<Subject> $subjects
     * @param non-empty-list<float> $soundChances
     *
     * @return array{table: list<list<float>>, index: list<int>, medians?: list<float>}|null null where nothing differs
     */
    private function row(
        array $particles,
        array $subjects,
        Check $check,
        Place $place,
        Row $row,
        array $soundChances,
    ): ?array {
        $table = $index = $medians = [];
        $known = [$this->print($soundChances) => -1];
        $differs = false;
        foreach ($particles as $n => $particle) {
            $seen = self::see($particle, $subjects[$n], $check, $place, $row);
            $chances = $this->rounded($row->observer->wording->withBlunder($seen->chances));
            $print = $this->print($chances);
            if (!isset($known[$print])) {
                $known[$print] = \count($table);
                $table[] = $chances;
            }
            $index[] = $known[$print];
            if (null !== $seen->median) {
                $medians[] = $this->six($seen->median);
            }
            $differs = $differs || -1 !== $known[$print] || [] !== $medians;
        }

        return $differs
            ? ['table' => $table, 'index' => $index] + ([] === $medians ? [] : ['medians' => $medians])
            : null;
    }

    /** @return iterable<string, array{Check, Place, Row}> by row key */
    private function rows(): iterable
    {
        foreach ($this->checks as $check) {
            foreach ($check->places->in($this->layout) as $place) {
                foreach ($check->rows as $row) {
                    yield $check->at($place)->row($row->id) => [$check, $place, $row];
                }
            }
        }
    }

    /**
     * @param non-empty-list<float> $chances
     *
     * @return non-empty-list<float>
     */
    private function rounded(array $chances): array
    {
        return array_map($this->six(...), $chances);
    }

    private function six(float $number): float
    {
        return (float) \sprintf('%.6g', $number);
    }

    /**
     * Predictions that agree to five figures are one.
     *
     * @param list<float> $chances
     */
    private function print(array $chances): string
    {
        return implode(' ', array_map(static fn (float $p): string => \sprintf('%.5g', $p), $chances));
    }
}
