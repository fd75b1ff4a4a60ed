<?php

declare(strict_types=1);

namespace Rodrel\Core\Repair;

use Rodrel\Core\Shape;

/** What a repair typically costs and opens; figures are typical until the shop types its own. */
final readonly class Repair
{
    /** Where the drawing shows it; `nowhere` for what has no place there, `elsewhere` for what is not of the brakes. */
    public const DRAWN = [
        'wheel',
        'hose',
        'pipe',
        'modulator',
        'booster',
        'vacuum',
        'push-rod',
        'master',
        'axle',
        'everywhere',
        'nowhere',
        'elsewhere',
    ];

    /**
     * @param string $drawn one of DRAWN
     * @param list<Extra> $scope
     * @param array<string, PartOption> $options
     */
    private function __construct(
        public string $id,
        public Price $price,
        public string $procedure,
        public Opening $opening,
        public string $drawn,
        public array $scope,
        public array $options,
    ) {
    }

    public static function fromShape(string $id, Shape $shape): self
    {
        return new self(
            $id,
            Price::fromShape($shape),
            $shape->text('procedure'),
            Opening::fromShape($shape),
            $shape->choice('drawn', self::DRAWN),
            array_values(array_map(Extra::fromShape(...), $shape->each('scope'))),
            self::optionsFrom($shape),
        );
    }

    /** Whether the drawing has a place for it. */
    public function isDrawn(): bool
    {
        return !\in_array($this->drawn, ['nowhere', 'elsewhere'], true);
    }

    /** Parts, labour and fluid in minor units. */
    public function costCents(float $rateCentsPerMinute, float $fluidCentsPerMl): float
    {
        return $this->price->partsCents
            + $this->price->minutes * $rateCentsPerMinute
            + $this->price->fluidMl * $fluidCentsPerMl;
    }

    /** @return array<string, PartOption> */
    private static function optionsFrom(Shape $shape): array
    {
        $options = [];
        foreach ($shape->each('options') as $kind => $option) {
            $options[$kind] = PartOption::fromShape($kind, $option);
        }

        return $options;
    }
}
