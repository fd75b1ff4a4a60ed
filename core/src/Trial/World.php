<?php

declare(strict_types=1);

namespace Rodrel\Core\Trial;

/**
 * What vehicles are like apart from the model that judges them: its figures are fixed here, by estimate, before anybody
 * plays, and move with no rule or weight of the reasoning.
 */
final readonly class World
{
    public const INNOCENT = 0.333;
    public const OUTSIDE = 0.05;
    public const FIGURES = 0.1;
    /** Of a vehicle that was taken for another kind, each figure (log-normal). */
    public const OTHER_KIND = 0.3;
    public const SLIPS = 2.0;
    /** The same World for everybody. */
    private const SEED = 20_260_301;
    private const SIGNS = 2.0;
    private const PRIORS = 3.0;
    /** How far a family is off on one vehicle (log-normal): a gauge little, a hand or an eye more. */
    private const PHYSICS = ['gauge' => 0.1, 'plug' => 0.1, 'vacuum' => 0.15, 'heat' => 0.25, 'pedal' => 0.2];
    private const PHYSICS_ELSE = 0.3;

    /** @param list<Departure> $departures */
    public function __construct(private array $departures)
    {
    }

    /** As the model believes it to be. */
    public static function asModelled(): self
    {
        return new self([]);
    }

    public function isModelled(): bool
    {
        return [] === $this->departures;
    }

    public function has(Departure $departure): bool
    {
        return \in_array($departure, $this->departures, true);
    }

    /**
     * The catalogue as the World has it.
     *
     * @param array<string, array<mixed>> $documents decoded files
     *
     * @return array<string, array<mixed>>
     */
    public function documents(array $documents): array
    {
        /** @var list<array<string, mixed>> $faults */
        $faults = $documents['faults']['faults'];
        foreach ($faults as $n => $fault) {
            $about = \is_string($fault['id'] ?? null) ? $fault['id'] : '';
            if ($this->has(Departure::Priors) && is_numeric($fault['weight'] ?? null)) {
                $fault['weight'] = (float) $fault['weight'] * self::factor($about.' weight', self::PRIORS);
            }
            foreach ($this->has(Departure::Signs) ? ['signs', 'told'] : [] as $key) {
                if (\is_array($fault[$key] ?? null)) {
                    $fault[$key] = self::again($fault[$key], $about.' '.$key);
                }
            }
            $faults[$n] = $fault;
        }
        $documents['faults']['faults'] = $faults;

        return $documents;
    }

    /**
     * The same with every fault's own signs taken away: it does what it does and shows nothing that is known of it.
     *
     * @param array<string, array<mixed>> $documents
     *
     * @return array<string, array<mixed>>
     */
    public function bare(array $documents): array
    {
        /** @var list<array<string, mixed>> $faults */
        $faults = $documents['faults']['faults'];
        foreach ($faults as $n => $fault) {
            $faults[$n] = array_diff_key($fault, ['shows_at' => true]);
            $faults[$n]['signs'] = [];
        }
        $documents['faults']['faults'] = $faults;

        return $documents;
    }

    /**
     * How far each family is off on one vehicle, as a logarithm.
     *
     * @param list<string> $families
     *
     * @return array<string, float>
     */
    public function biases(int $seed, array $families): array
    {
        $biases = [];
        foreach ($this->has(Departure::Physics) ? $families : [] as $family) {
            $sigma = self::PHYSICS[$family] ?? self::PHYSICS_ELSE;
            $biases[$family] = $sigma * Luck::about($seed, 'bias '.$family)->deviation();
        }

        return $biases;
    }

    /**
     * Chances drawn again: each figure within the factor, a row of them summing to what it did.
     *
     * @param array<mixed> $figures
     *
     * @return array<mixed>
     */
    private static function again(array $figures, string $about): array
    {
        $numbers = array_filter($figures, is_numeric(...));
        if ([] === $numbers || \count($numbers) !== \count($figures)) {
            foreach ($figures as $key => $one) {
                $figures[$key] = \is_array($one) ? self::again($one, $about.' '.$key) : $one;
            }

            return $figures;
        }
        $drawn = [];
        foreach ($numbers as $key => $one) {
            $drawn[$key] = (float) $one * self::factor($about.' '.$key, self::SIGNS);
        }
        $scale = array_sum($numbers) / max(1e-9, array_sum($drawn));

        return array_map(static fn (float $one): float => $scale * $one, $drawn);
    }

    private static function factor(string $about, float $most): float
    {
        return $most ** (2.0 * Luck::about(self::SEED, $about)->share() - 1.0);
    }
}
