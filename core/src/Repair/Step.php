<?php

declare(strict_types=1);

namespace Rodrel\Core\Repair;

use Rodrel\Core\Shape;

/** One step of a procedure. Its words are the catalogue text `step.<procedure>.<id>`. */
final readonly class Step
{
    /**
     * @param list<string>             $cautions
     * @param array{float, float}|null $torqueNm typical band, until the vehicle's own figure is typed
     * @param int|null                 $count    how many of a consumable are used (new sealing washers, plugs)
     */
    private function __construct(
        public string $id,
        public array $cautions,
        public ?array $torqueNm,
        public bool $holdPoint,
        public ?int $count,
        public bool $opensSystem,
        public bool $photo,
        public bool $required,
    ) {
    }

    public static function fromShape(Shape $shape): self
    {
        $torque = $shape->numbers('torque_nm');

        return new self(
            $shape->text('id'),
            $shape->texts('cautions'),
            2 === \count($torque) ? [$torque[0], $torque[1]] : null,
            $shape->flag('hold_point'),
            $shape->has('count') ? (int) $shape->number('count') : null,
            $shape->flag('opens'),
            $shape->flag('photo'),
            $shape->flag('required'),
        );
    }

    /** A figure belongs to this step: a torque, or a typed measure at a hold point. */
    public function wantsFigure(): bool
    {
        return null !== $this->torqueNm;
    }
}
