<?php

declare(strict_types=1);

namespace Rodrel\Core\Isolation;

use Rodrel\Core\Shape;
use Rodrel\Core\Vocabulary\CheckAt;

/** A safety gate as it stands: closed until readings of this epoch open it. */
final readonly class Gate
{
    /** Closed where the shop does not have what a check is made with. */
    public const TOOLS = 'tools';
    private const TOOL = 'tool-';

    /**
     * @param list<string> $unmet keys of the conditions not met, in the order to meet them
     * @param bool $overridable whether a lead may open it with a recorded reason
     * @param bool $seenUnsafe something was seen to be wrong; else it is only not looked at yet
     * @param bool $waits nothing is suggested behind it; else opening it is part of the suggestion
     * @param array<string, CheckAt> $answers by unmet condition: the check that would meet it
     * @param list<string> $preparations those of the unmet that are brought about on the way
     */
    public function __construct(
        public string $id,
        public array $unmet,
        public bool $overridable,
        public bool $seenUnsafe = false,
        public bool $waits = true,
        public array $answers = [],
        public array $preparations = [],
    ) {
    }

    /** @param list<string> $missing of the tools that a check is made with */
    public static function ofTools(array $missing): self
    {
        return new self(self::TOOLS, array_map(static fn (string $tool): string => self::TOOL.$tool, $missing), true);
    }

    /** @return list<string> the tools that are missing */
    public function tools(): array
    {
        return array_map(static fn (string $unmet): string => substr($unmet, \strlen(self::TOOL)), $this->unmet);
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
            'preparations' => $this->preparations,
        ];
    }

    public static function fromShape(Shape $shape): self
    {
        $answers = [];
        foreach ($shape->in('answers')->keys() as $unmet) {
            $answers[$unmet] = CheckAt::parse($shape->in('answers')->text($unmet));
        }

        return new self(
            $shape->text('id'),
            $shape->texts('unmet'),
            $shape->flag('overridable'),
            $shape->flag('seenUnsafe'),
            $shape->flag('waits'),
            $answers,
            $shape->texts('preparations'),
        );
    }

    /** Nothing is missing that is not brought about on the way. */
    public function isPrepared(): bool
    {
        return [] === array_diff($this->unmet, $this->preparations);
    }

    /** The one check that would open it; null where that is none, or more. */
    public function opener(): ?CheckAt
    {
        $opener = null;
        foreach (array_diff($this->unmet, $this->preparations) as $unmet) {
            $answer = $this->answers[$unmet] ?? null;
            if (null === $answer || (null !== $opener && !$opener->is($answer))) {
                return null;
            }
            $opener = $answer;
        }

        return $opener;
    }

    public function isOpen(): bool
    {
        return [] === $this->unmet;
    }
}
