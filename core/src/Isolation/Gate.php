<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Shape;
use Rodrel\Core\Vocabulary\CheckAt;

/** A safety gate as it stands: closed until readings of this epoch open it. */
final readonly class Gate
{
    /**
     * @param list<string> $unmet keys of the conditions not met, in the order to meet them
     * @param bool $overridable whether a lead may open it with a recorded reason
     * @param bool $seenUnsafe something was seen to be wrong; else it is only not looked at yet
     * @param bool $waits nothing is suggested behind it; else opening it is part of the suggestion
     * @param list<CheckAt> $answers the checks that would open it
     */
    public function __construct(
        public string $id,
        public array $unmet,
        public bool $overridable,
        public bool $seenUnsafe = false,
        public bool $waits = true,
        public array $answers = [],
    ) {
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'id' => $this->id,
            'unmet' => $this->unmet,
            'overridable' => $this->overridable,
            'seenUnsafe' => $this->seenUnsafe,
            'waits' => $this->waits,
            'answers' => array_map(static fn (CheckAt $check): string => (string) $check, $this->answers),
        ];
    }

    public static function fromShape(Shape $shape): self
    {
        return new self(
            $shape->text('id'),
            $shape->texts('unmet'),
            $shape->flag('overridable'),
            $shape->flag('seenUnsafe'),
            $shape->flag('waits'),
            array_map(CheckAt::parse(...), $shape->texts('answers')),
        );
    }

    public function isOpen(): bool
    {
        return [] === $this->unmet;
    }
}
