<?php

declare(strict_types=1);

namespace Rodrel\Core\Check;

use Rodrel\Core\Fault\FaultPlaces;
use Rodrel\Core\Shape;
use Rodrel\Core\Vehicle\Corner;

/** One row of the check catalogue: what to do, what state it needs, how it is read. */
final readonly class Check
{
    /**
     * @param non-empty-array<string, Observer> $rows   by row id; a check with one answer has the row ''
     * @param list<string>                      $spoken words for the helper, in order
     * @param list<string>                      $tools
     */
    private function __construct(
        public string $id,
        public FaultPlaces $places,
        public string $phase,
        public Lift $lift,
        public string $engine,
        public bool $helper,
        public float $minutes,
        public array $rows,
        public array $spoken,
        public ?float $footN,
        public ?float $holdS,
        public ?float $waitS,
        public ?string $opens,
        public bool $needsStuck,
        public ?string $after,
        public bool $proofOnly,
        public bool $road,
        public bool $arrival,
        public ?string $caution,
        public array $tools,
        public int $consumablesCents,
        public string $provenance,
        public ?string $reason,
    ) {
    }

    public static function fromShape(Shape $shape): self
    {
        $optional = static fn (string $key): ?float => $shape->has($key) ? $shape->number($key) : null;

        return new self(
            $shape->text('id'),
            FaultPlaces::tryFrom($shape->text('places')) ?? throw $shape->wrong('places', 'unknown kind of place'),
            $shape->text('phase'),
            Lift::tryFrom($shape->text('state')) ?? throw $shape->wrong('state', 'any, ground, raised or wheels-off is expected'),
            $shape->text('engine', 'any'),
            $shape->flag('helper'),
            $shape->number('minutes'),
            self::rows($shape),
            $shape->texts('spoken'),
            $optional('foot_n'),
            $optional('hold_s'),
            $optional('wait_s'),
            $shape->has('opens') ? $shape->text('opens') : null,
            $shape->flag('needs_stuck'),
            $shape->has('after') ? $shape->text('after') : null,
            $shape->flag('proof_only'),
            $shape->flag('road'),
            $shape->flag('arrival'),
            $shape->has('caution') ? $shape->text('caution') : null,
            $shape->texts('tools'),
            (int) $shape->number('consumables_cents', 0.0),
            $shape->text('provenance'),
            $shape->has('reason') ? $shape->text('reason') : null,
        );
    }

    public function at(string $place): string
    {
        return $this->id.'@'.$place;
    }

    /** The key of one row in a signature: `spin@vehicle/lf`, `bleeder-open@lf`. */
    public function rowKey(string $place, string $row): string
    {
        return $this->at($place).('' === $row ? '' : '/'.$row);
    }

    /** @return non-empty-array<string, Observer> */
    private static function rows(Shape $shape): array
    {
        if ($shape->has('row_observers')) {
            $rows = array_map(Observer::fromShape(...), $shape->each('row_observers'));
            if ([] === $rows) {
                throw $shape->wrong('row_observers', 'at least one row is expected');
            }

            return $rows;
        }
        $observer = Observer::fromShape($shape->in('observer'));
        if (!$shape->has('rows')) {
            return ['' => $observer];
        }
        $names = 'corners' === $shape->rawValue('rows')
            ? array_map(static fn (Corner $corner): string => $corner->value, Corner::cases())
            : $shape->texts('rows');
        if ([] === $names) {
            throw $shape->wrong('rows', 'at least one row is expected');
        }

        return array_fill_keys($names, $observer);
    }
}
