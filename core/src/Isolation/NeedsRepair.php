<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Shape;
use Rodrel\Core\Vocabulary\CheckAt;
use Rodrel\Core\Vocabulary\GroupAt;

/** A part that was seen to need repair; the complaint has no say in it. */
final readonly class NeedsRepair
{
    /** Rather than not (belief; estimate, 0.5 to 0.7). */
    private const FROM = 0.5;

    /** @param float $chance belief that it needs repair, 0 to 1 */
    private function __construct(
        public GroupAt $group,
        public float $chance,
        public CheckAt $check,
        public string $row,
        public string $word,
    ) {
    }

    /** @return list<self> each repair once, by its plainest sign, the surest first */
    public static function in(Belief $belief): array
    {
        $found = [];
        foreach (Sighted::in($belief) as $seen) {
            $known = $found[(string) $seen->group] ?? null;
            if ($seen->needs >= self::FROM && $seen->needs > ($known->chance ?? 0.0)) {
                $found[(string) $seen->group] = new self(
                    $seen->group,
                    $seen->needs,
                    $seen->reading->check,
                    $seen->row,
                    $seen->word,
                );
            }
        }
        usort($found, static fn (self $a, self $b): int => $b->chance <=> $a->chance);

        return $found;
    }

    /** @return array{group: string, chance: float, check: string, row: string, word: string} */
    public function toArray(): array
    {
        return [
            'group' => (string) $this->group,
            'chance' => $this->chance,
            'check' => (string) $this->check,
            'row' => $this->row,
            'word' => $this->word,
        ];
    }

    public static function fromShape(Shape $shape): self
    {
        return new self(
            GroupAt::parse($shape->text('group')),
            $shape->share('chance'),
            CheckAt::parse($shape->text('check')),
            $shape->text('row', ''),
            $shape->text('word'),
        );
    }
}
