<?php

declare(strict_types=1);

namespace Rodrel\Core\Log\Payload;

use Rodrel\Core\Heat\HeatRound;
use Rodrel\Core\Shape;

/**
 * How a temperature was taken: the air in °C, the surface aimed at, the place on the wheel, seconds since the stop; and
 * what was measured over the air before it was carried back to the stop, with the cooling time constant used for that.
 */
final readonly class Temperature
{
    public function __construct(
        public float $airC,
        public string $surface,
        public string $place,
        public float $sinceS,
        public float $rawK,
        public float $tauS,
    ) {
    }

    /** @param float $coreK what was logged as carried back: lines of the first format hold nothing else */
    public static function read(Shape $shape, float $coreK): self
    {
        $place = $shape->text('place', 'rotor');
        $since = $shape->number('since_s', 0.0);
        $tau = $shape->number('tau_s', HeatRound::STANDING_S);

        return new self(
            $shape->number('air_c'),
            $shape->text('surface', 'contact'),
            $place,
            $since,
            $shape->number('raw_k', HeatRound::rawOf($coreK, $place, $since, $tau)),
            $tau,
        );
    }

    /** @return array<string, float|string> */
    public function write(): array
    {
        return [
            'air_c' => $this->airC,
            'surface' => $this->surface,
            'place' => $this->place,
            'since_s' => $this->sinceS,
            'raw_k' => $this->rawK,
            'tau_s' => $this->tauS,
        ];
    }

    /** @return array<string, mixed> */
    public static function schema(): array
    {
        return [
            'air_c' => Schema::NUMBER,
            'surface' => Schema::TEXT,
            'place' => Schema::TEXT,
            'since_s' => Schema::NUMBER,
            'raw_k' => Schema::NUMBER,
            'tau_s' => Schema::NUMBER,
        ];
    }
}
