<?php

declare(strict_types=1);

namespace Rodrel\Core\Proof;

use Rodrel\Core\Shape;
use Rodrel\Core\Vocabulary\Corner;
use Rodrel\Core\Vocabulary\GroupAt;

/** One criterion of the proof as the catalogue has it. */
final readonly class CriterionRule
{
    public const OPEN_STEPS = 'open-steps';
    public const WHEELS_LOOSE = 'wheels-loose';
    public const SAFETY_ITEMS = 'safety-items';
    public const UNBLED = 'unbled';

    /** Word that passes too where the driveline turns with the wheel. */
    public ?string $driven;
    /** @var list<string> repairs after which it is wanted; none: after all of them */
    public array $after;

    /**
     * @param string|null $check that answers it; null: computed, or the drive made before
     * @param array<string, list<string>> $rows the words that pass, by row
     * @param string|null $computed OPEN_STEPS, WHEELS_LOOSE, SAFETY_ITEMS or UNBLED
     * @param bool $standing before any wheel turns on the road
     * @param bool $neverWaived not even by a lead
     * @param Shape $shape for what few of them have: `driven` and `after`
     */
    private function __construct(
        public string $id,
        public ?string $check,
        public array $rows,
        public ?string $computed,
        public bool $standing,
        public bool $neverWaived,
        Shape $shape,
    ) {
        $this->driven = $shape->optionalText('driven');
        $this->after = $shape->texts('after');
    }

    /** @param list<GroupAt> $changed in the visit */
    public function isWantedAfter(array $changed): bool
    {
        $ids = array_map(static fn (GroupAt $one): string => $one->id, $changed);

        return [] === $this->after || [] !== array_intersect($ids, $this->after);
    }

    public static function fromShape(Shape $shape): self
    {
        $rows = [];
        foreach ($shape->in('rows')->keys() as $row) {
            $rows[$row] = $shape->in('rows')->texts($row);
        }
        if ($shape->has('each_corner')) {
            $ids = array_map(static fn (Corner $corner): string => $corner->value, Corner::cases());
            $rows = array_fill_keys($ids, $shape->texts('each_corner'));
        }
        $computed = $shape->has('computed')
            ? $shape->choice('computed', [
                self::OPEN_STEPS, self::WHEELS_LOOSE, self::SAFETY_ITEMS, self::UNBLED,
            ])
            : null;
        $check = $shape->optionalText('check');
        $ways = (int) (null !== $check) + (int) (null !== $computed) + (int) $shape->flag('same_drive');
        if (1 !== $ways || null !== $check && [] === $rows) {
            $shape->miss('', 'one of check with its rows, computed, same_drive is expected');
        }

        return new self(
            $shape->text('id'),
            $check,
            $rows,
            $computed,
            $shape->flag('standing'),
            $shape->flag('never_waived'),
            $shape,
        );
    }
}
