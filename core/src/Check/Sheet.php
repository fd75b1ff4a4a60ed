<?php

declare(strict_types=1);

namespace Rodrel\Core\Check;

use Rodrel\Core\Shape;
use Rodrel\Core\Vehicle\Measuring;

/** What is typed on a check's sheet beside its answers, and kept with them. */
final readonly class Sheet
{
    public const ROLLER = 'roller';
    public const SPEEDS = 'speeds';

    /**
     * @param Measuring|null $measures the sheet that makes its word out of typed figures
     * @param list<string> $noted what is written down beside it: a code, volts, ohms, a swing
     * @param string|null $records ROLLER or SPEEDS: a file of samples that can be read in
     */
    private function __construct(public ?Measuring $measures, public array $noted, public ?string $records)
    {
    }

    public static function fromShape(Shape $shape): self
    {
        return new self(
            $shape->has('measures') ? $shape->oneOf('measures', Measuring::class) : null,
            $shape->texts('noted'),
            $shape->has('records') ? $shape->choice('records', [self::ROLLER, self::SPEEDS]) : null,
        );
    }
}
