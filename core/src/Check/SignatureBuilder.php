<?php

declare(strict_types=1);

namespace Rodrel\Core\Check;

use Rodrel\Core\Catalogue;
use Rodrel\Core\Fault\Particle;
use Rodrel\Core\Fault\Particles;
use Rodrel\Core\Model\Effects;
use Rodrel\Core\Model\VehicleSimulator;
use Rodrel\Core\Vehicle\Corner;
use Rodrel\Core\Vehicle\Layout;

/** Computes a signature: simulates every particle through every check's procedure and asks the observers. */
final class SignatureBuilder
{
    public const SOLVER_VERSION = 5;

    public function __construct(private readonly Catalogue $catalogue)
    {
    }

    /** The identity of a signature: layout, catalogue and solver. */
    public function key(Layout $layout): string
    {
        return hash('sha256', serialize($layout).'|'.$this->catalogue->hash.'|'.self::SOLVER_VERSION);
    }

    /** @param (callable(int, int): void)|null $progress told (done, of) after each particle */
    public function build(Layout $layout, ?callable $progress = null): Signature
    {
        $particles = Particles::of($this->catalogue, $layout);
        $simulator = new VehicleSimulator($layout);
        $probes = new Probes($layout, $simulator);
        $sound = new Subject($probes, $simulator, Effects::none(), null, $this->catalogue->drives);
        $rows = [];
        $seen = [];
        foreach ($particles as $n => $particle) {
            $subject = new Subject($probes, $simulator, $particle->effects, $sound, $this->catalogue->drives);
            foreach ($this->catalogue->checks as $check) {
                foreach ($check->places->in($layout) as $place) {
                    foreach ($check->rows as $row => $observer) {
                        $key = $check->rowKey($place, $row);
                        [$chances, $median] = $this->predict($subject, $particle, $check, $place, $row, $observer);
                        $hash = implode(' ', array_map(static fn (float $p): string => \sprintf('%.5g', $p), $chances));
                        $rows[$key] ??= ['words' => $observer->words, 'table' => [], 'index' => []];
                        if (!isset($seen[$key][$hash])) {
                            $seen[$key][$hash] = \count($rows[$key]['table']);
                            $rows[$key]['table'][] = array_map(static fn (float $p): float => (float) \sprintf('%.6g', $p), $chances);
                        }
                        $rows[$key]['index'][] = $seen[$key][$hash];
                        if (null !== $median) {
                            $rows[$key]['medians'][] = (float) \sprintf('%.6g', $median);
                            $rows[$key]['sound'] = (float) \sprintf('%.6g', $sound->number($observer->probe, $check, $place, $row));
                            $rows[$key]['noise'] = $observer->noise;
                        }
                    }
                }
            }
            if (null !== $progress) {
                $progress($n + 1, \count($particles));
            }
        }

        return new Signature($this->key($layout), \count($particles), $rows, $simulator->simulations());
    }

    /** @return array{non-empty-list<float>, float|null} chances of the words, and the median of a typed number */
    private function predict(Subject $subject, Particle $particle, Check $check, string $place, string $row, Observer $observer): array
    {
        $median = null;
        $chances = match ($observer->kind) {
            ObserverKind::Sign => $this->sign($particle, $check, $row, null !== Corner::tryFrom($row) ? $row : $place, $observer),
            ObserverKind::Words, ObserverKind::Signed => $observer->wordChances($subject->words($observer->probe, $check, $place, $row)),
            ObserverKind::Number => $observer->wordChances(
                $median = $subject->number($observer->probe, $check, $place, $row),
                $observer->relativeToSound ? $subject->soundOr()->number($observer->probe, $check, $place, $row) : 1.0,
            ),
            ObserverKind::Complaint => $subject->complaint($observer->words),
            ObserverKind::Opened => $subject->opened($observer, $check, $place),
            ObserverKind::PushBack => $subject->pushBack($observer, $place),
        };

        return [$observer->withBlunder($chances), $median];
    }

    /** @return non-empty-list<float> */
    private function sign(Particle $particle, Check $check, string $row, string $place, Observer $observer): array
    {
        $here = 'vehicle' === $place || $particle->place === $place
            || 'rear' === $particle->place && ('lr' === $place || 'rr' === $place);
        $chances = $here ? $particle->fault->signs[$check->id.'/'.$row] ?? $particle->fault->signs[$check->id] ?? $observer->base : $observer->base;

        return [] !== $chances ? $chances : throw new \LogicException('A checked sign has chances.');
    }
}
