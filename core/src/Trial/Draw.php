<?php

declare(strict_types=1);

namespace Rodrel\Core\Trial;

use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Check\Check;
use Rodrel\Core\Check\Instruments;
use Rodrel\Core\Check\Subject;
use Rodrel\Core\Fault\Particle;
use Rodrel\Core\Fault\Particles;
use Rodrel\Core\Isolation\Settings;
use Rodrel\Core\Log\Payload\Arrival;
use Rodrel\Core\Log\Payload\FittedPart;
use Rodrel\Core\Shape;
use Rodrel\Core\Vehicle\Layout;
use Rodrel\Core\Vocabulary\CheckAt;
use Rodrel\Core\Vocabulary\Corner;
use Rodrel\Core\Vocabulary\Part;
use Rodrel\Core\Vocabulary\Place;

/**
 * Draws vehicles that nobody has computed before: a fault (or two) of the catalogue with a severity between the grid's,
 * in a vehicle whose own figures are scattered, read by eyes that are worse than the observers say.
 */
final readonly class Draw
{
    /** Each: log-normal; of an axle and of a wheel together 0.1. */
    private const OF_THE_AXLE = 0.08;
    private const OF_THE_WHEEL = 0.06;
    private const OF_THE_VEHICLE = 0.1;
    private const FOOT = 0.1;
    /** Eyes are so much worse than the observers say. */
    private const NOISE = 1.5;
    private const AMBIENT_K = 12.0;
    private const TOOL_MISSING = 0.1;
    private const DRIVEN_IN = 0.4;
    private const STOOD = 0.05;
    private const STOOD_WITH_RUST = 0.8;
    private const FITTED = 0.5;
    private const TRIES = 60;

    private World $world;
    /** The same faults without their signs. */
    private Catalogue $bare;

    /**
     * @param array<string, array<mixed>> $documents decoded files of the catalogue
     * @param array<string, mixed> $shop settings of the shop
     * @param \DateTimeImmutable $day on which all of them come in
     * @param World|null $world what vehicles are like; as the model believes where it is left out
     */
    public function __construct(
        private Catalogue $catalogue,
        private array $documents,
        private array $shop,
        private \DateTimeImmutable $day,
        ?World $world = null,
    ) {
        $this->world = $world ?? World::asModelled();
        $this->bare = $this->world->has(Departure::Outside)
            ? Catalogue::fromArray($this->world->bare($documents))
            : $catalogue;
    }

    /**
     * @param int $faults 1 or 2
     * @param float $wrong share of wrong answers
     */
    public function vehicle(int $seed, string $preset, int $faults, float $wrong): TrueVehicle
    {
        $vehicle = $this->drawn($seed, 0, $preset, $faults, $wrong);
        $none = $this->catalogue->complaints->none();
        // nobody comes without a complaint
        for ($try = 1; $try < self::TRIES && $none === $vehicle->said($this->complaint()); ++$try) {
            $vehicle = $this->drawn($seed, $try, $preset, $faults, $wrong);
        }

        return $vehicle;
    }

    private function complaint(): CheckAt
    {
        return CheckAt::of('complaint', Place::vehicle());
    }

    private function drawn(int $seed, int $try, string $preset, int $faults, float $wrong): TrueVehicle
    {
        $luck = Luck::about($seed, 'vehicle '.$try);
        $other = $this->drawnFrom($seed, Departure::Figures, World::FIGURES);
        $outside = $this->drawnFrom($seed, Departure::Outside, World::OUTSIDE);
        $layout = $this->scattered($preset, $luck, $other ? World::OTHER_KIND / self::OF_THE_AXLE : 1.0);
        $drawn = $this->faults($luck, $layout, $faults, $outside);
        $hand = $this->hand($seed, $luck, $wrong);
        $air = 15.0 + self::AMBIENT_K * (2.0 * $luck->share() - 1.0);
        $sane = Subject::sane(new Instruments($layout, 1.0, $air), $hand->checks, $this->catalogue->complaints);

        return new TrueVehicle(
            $preset,
            $drawn,
            $sane,
            $hand,
            $this->visit($luck, $drawn),
            $outside,
            $this->innocent($seed, $layout),
        );
    }

    private function drawnFrom(int $seed, Departure $departure, float $share): bool
    {
        return $this->world->has($departure) && Luck::about($seed, $departure->value)->happens($share);
    }

    private function innocent(int $seed, Layout $layout): ?Innocent
    {
        $luck = Luck::about($seed, 'innocent');
        if (!$this->world->has(Departure::Innocent) || !$luck->happens(World::INNOCENT)) {
            return null;
        }
        $defects = $weights = [];
        foreach ($this->catalogue->checks as $check) {
            foreach ($check->everywhere($layout) as $at) {
                foreach ($check->rows as $row) {
                    foreach ($row->observer->words() as $word) {
                        $also = $row->observer->sighting($word)->also ?? 0.0;
                        if ($also > 0.0) {
                            $defects[] = new Innocent($at, $row->id, $word);
                            $weights[] = $also;
                        }
                    }
                }
            }
        }

        return [] === $weights ? null : $defects[$luck->pick($weights)];
    }

    /** @param float $times how much further off than vehicles of its kind are */
    private function scattered(string $preset, Luck $luck, float $times): Layout
    {
        /**
         * @var array{mass_kg: float, pipe_m: array<string, float>, corners: array<string, array<string, mixed>>} $data
         */
        $data = $this->catalogue->presets[$preset];
        $data['mass_kg'] *= $luck->around(self::OF_THE_VEHICLE);
        $axles = [];
        foreach ($data['corners'] as $corner => $brake) {
            $axle = (int) Corner::from($corner)->isFront();
            foreach (['stiffness_ml_per_kpa', 'clearance_ml', 'friction', 'rotor_kg'] as $figure) {
                $axles[$axle][$figure] ??= $luck->around($times * self::OF_THE_AXLE);
                $own = is_numeric($brake[$figure] ?? null) ? (float) $brake[$figure] : 0.0;
                $brake[$figure] = $own * $axles[$axle][$figure] * $luck->around(self::OF_THE_WHEEL);
            }
            $data['corners'][$corner] = $brake;
            $data['pipe_m'][$corner] *= $luck->around(self::OF_THE_VEHICLE);
        }

        return Layout::fromArray($data);
    }

    /** @return list<Particle> */
    private function faults(Luck $luck, Layout $layout, int $count, bool $outside): array
    {
        $particles = Particles::of($outside ? $this->bare->faults : $this->catalogue->faults, $layout);
        if ($outside) {
            // what does nothing shows nothing
            $acting = array_values(array_filter(
                $particles,
                static fn (Particle $one): bool => [] !== $one->fault->damage->axes,
            ));
            $particles = [] === $acting ? $particles : $acting;
        }
        $weights = array_map(static fn (Particle $particle): float => $particle->weight, $particles);
        $drawn = [];
        while (\count($drawn) < $count) {
            $particle = $particles[$luck->pick([] === $weights ? [1.0] : $weights)];
            $lone = 'none' === $particle->fault->cure->repair;
            $again = [] !== array_filter(
                $drawn,
                static fn (Particle $other): bool => $other->group->is($particle->group),
            );
            if (!$again && (1 === $count || !$lone)) {
                $drawn[] = $this->between($luck, $layout, $particle);
            }
        }

        return $drawn;
    }

    /** The same fault with a severity between those of the grid. */
    private function between(Luck $luck, Layout $layout, Particle $particle): Particle
    {
        $severity = [];
        foreach ($particle->fault->damage->axes as $axis) {
            $value = $particle->severity[$axis->name];
            $at = (int) array_search($value, $axis->values, true);
            $next = $axis->values[min(\count($axis->values) - 1, max(0, $at + ($luck->happens(0.5) ? 1 : -1)))];
            // up to half of the way to a neighbour, by ratio where there is one
            $way = 0.5 * $luck->share();
            $severity[$axis->name] = $value > 0.0 && $next > 0.0
                ? $value * ($next / $value) ** $way
                : $value + $way * ($next - $value);
        }
        $effects = $particle->fault->damage->effectsAt($particle->place, $severity, $layout);

        return new Particle($particle->fault, $particle->place, $severity, 1.0, $effects);
    }

    private function hand(int $seed, Luck $luck, float $wrong): Hand
    {
        $foot = $luck->around(self::FOOT);
        $documents = $this->documents;
        /** @var list<array<string, mixed>> $checks */
        $checks = $documents['checks']['checks'];
        $families = array_values(array_unique(array_map(
            static fn (Check $one): string => $one->family,
            $this->catalogue->checks->all,
        )));
        $biases = $this->world->biases($seed, array_values(array_diff($families, [''])));
        foreach ($checks as $n => $check) {
            $family = \is_string($check['family'] ?? null) ? $check['family'] : '';
            $off = exp($biases[$family] ?? 0.0);
            if (is_numeric($check['foot_n'] ?? null)) {
                $check['foot_n'] = (float) $check['foot_n'] * $foot;
            }
            foreach (['observer', 'each_corner'] as $one) {
                if (\is_array($check[$one] ?? null)) {
                    $check[$one] = self::worse($check[$one], $off);
                }
            }
            $rows = \is_array($check['rows'] ?? null) ? $check['rows'] : [];
            foreach ($rows as $id => $row) {
                $rows[$id] = self::worse((array) $row, $off);
            }
            $check = ([] === $rows ? [] : ['rows' => $rows]) + $check;
            $checks[$n] = $check;
        }
        $documents['checks']['checks'] = $checks;

        $slips = $this->world->has(Departure::Slips);
        $wrong *= $slips ? World::SLIPS : 1.0;

        return new Hand(Catalogue::fromArray($documents)->checks, $wrong, $seed, $biases, $slips);
    }

    /**
     * The scatter between vehicles is in the vehicle drawn; slips are drawn apart.
     *
     * @param array<array-key, mixed> $observer
     * @param float $off what this vehicle shows, against what the model says: words change so much later
     *
     * @return array<array-key, mixed>
     */
    private static function worse(array $observer, float $off): array
    {
        if (\is_array($observer['limits'] ?? null)) {
            $observer['limits'] = array_map(
                static fn (mixed $limit): float => (is_numeric($limit) ? (float) $limit : 0.0) / $off,
                $observer['limits'],
            );
        }
        foreach (['sigma', 'spurt_sigma'] as $noise) {
            if (is_numeric($observer[$noise] ?? null)) {
                $observer[$noise] = (float) $observer[$noise] * self::NOISE;
            }
        }

        return ['scatter' => 0.0, 'blunder' => 0.0] + $observer;
    }

    /** @param list<Particle> $drawn */
    private function visit(Luck $luck, array $drawn): Visit
    {
        $parts = [];
        $rust = false;
        foreach ($drawn as $particle) {
            $rust = $rust || 'standing' === $particle->fault->odds->agesWith?->id;
            $after = array_keys($particle->fault->odds->afterFitting);
            if ([] !== $after && $luck->happens(self::FITTED)) {
                $part = Part::of($after[$luck->pick(array_fill(0, \count($after), 1.0))]);
                $parts[] = new FittedPart($part->at($particle->place), 1 + (int) (8.0 * $luck->share()));
            }
        }
        $tools = [];
        foreach ($this->catalogue->checks as $check) {
            foreach ($check->demand->tools as $tool) {
                $tools[$tool] ??= !$luck->happens(self::TOOL_MISSING);
            }
        }

        return new Visit(
            new Arrival(
                false,
                $luck->happens(self::DRIVEN_IN),
                $luck->happens($rust ? self::STOOD_WITH_RUST : self::STOOD),
            ),
            $parts,
            Settings::fromShape(new Shape(['tools' => array_keys(array_filter($tools))] + $this->shop)),
            $this->day,
        );
    }
}
