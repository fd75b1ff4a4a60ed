<?php

declare(strict_types=1);

namespace Rodrel\Core\Log\Payload;

use Rodrel\Core\Log\Door;
use Rodrel\Core\Log\Entry;
use Rodrel\Core\Log\Kind;
use Rodrel\Core\Shape;

/** An open item: plug, prop, part on the shelf; or work that was refused, why, and who was told. */
final readonly class ItemPayload implements Payload
{
    /**
     * @param string $due a day, '' where there is none
     * @param bool $safety bars the handover until it is settled
     */
    public function __construct(
        public string $text,
        public string $due = '',
        public bool $safety = false,
        public bool $refused = false,
        public string $reason = '',
        public string $told = '',
    ) {
    }

    public static function kind(): Kind
    {
        return Kind::Item;
    }

    public static function read(Shape $shape): self
    {
        return new self(
            $shape->text('text'),
            $shape->text('due', ''),
            $shape->flag('safety'),
            $shape->flag('refused'),
            $shape->text('reason', ''),
            $shape->text('told', ''),
        );
    }

    public function write(): array
    {
        $refused = ['refused' => true, 'reason' => $this->reason, 'told' => $this->told];

        return ['text' => $this->text, 'due' => $this->due, 'safety' => $this->safety]
            + ($this->refused ? $refused : []);
    }

    public static function schema(): array
    {
        return Schema::object(
            [
                'text' => Schema::TEXT,
                'due' => Schema::TEXT,
                'safety' => Schema::FLAG,
                'refused' => Schema::FLAG,
                'reason' => Schema::TEXT,
                'told' => Schema::TEXT,
            ],
            ['text', 'due', 'safety'],
        );
    }

    public function rule(Door $door, Entry $entry): void
    {
        // everybody may write down what must not be forgotten
    }
}
