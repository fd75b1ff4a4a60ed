<?php

declare(strict_types=1);

namespace Rodrel\Core\Check;

use Rodrel\Core\Physics\Joint;

/**
 * The joints from a stuck wheel to the pedal, each opened on a fresh trap: what holds sits between the last that freed
 * the wheel and the next that did not. One that frees it above one that did not is a second fault, or a trap that was
 * not fresh.
 */
final readonly class Ladder
{
    private const FREES = ['spurts-frees', 'frees'];
    private const STUCK = ['spurts-stuck', 'dribbles-stuck', 'stays-stuck'];

    /**
     * @param array<string, bool|null> $freed by joint, from the wheel upstream; null: not opened
     * @param Joint|null $below the last that freed it; null: none did
     * @param Joint|null $above the next that did not
     */
    private function __construct(
        public array $freed,
        public ?Joint $below,
        public ?Joint $above,
        public bool $disagree,
    ) {
    }

    /** @param array<string, string> $words the word read at each joint that was opened, by joint */
    public static function of(array $words): self
    {
        $freed = [];
        foreach (Joint::cases() as $joint) {
            $word = $words[$joint->value] ?? '';
            $freed[$joint->value] = match (true) {
                \in_array($word, self::FREES, true) => true,
                \in_array($word, self::STUCK, true) => false,
                default => null,
            };
        }
        $below = $above = null;
        $disagree = false;
        foreach ([Joint::Wheel, Joint::HoseTop, Joint::ModulatorOutlet, Joint::MasterOutlet] as $joint) {
            if (true === $freed[$joint->value]) {
                $disagree = $disagree || null !== $above;
                $below = null === $above ? $joint : $below;
            } elseif (false === $freed[$joint->value]) {
                $above ??= $joint;
            }
        }

        return new self($freed, $below, $above, $disagree);
    }

    /** Key of the sentence that says where it sits. */
    public function said(): string
    {
        return match (true) {
            $this->disagree => 'disagree',
            null !== $this->below && null !== $this->above => 'between',
            null === $this->below && Joint::Wheel === $this->above => 'at-the-wheel',
            null === $this->below && null !== $this->above => 'below',
            null !== $this->below => 'above',
            default => 'nothing',
        };
    }
}
