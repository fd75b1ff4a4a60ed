<?php

declare(strict_types=1);

namespace Rodrel\Core\Log\Payload;

use Rodrel\Core\Log\Door;
use Rodrel\Core\Log\Entry;
use Rodrel\Core\Log\Kind;
use Rodrel\Core\Log\Refused;
use Rodrel\Core\Shape;

/** A job that ends without a repair: not ours, opened twice or by mistake. Not a handover: nobody says it is safe. */
final readonly class ClosedPayload implements Payload
{
    public const WHYS = ['not-ours', 'twice', 'mistake'];

    public function __construct(public string $why, public string $reason)
    {
    }

    public static function kind(): Kind
    {
        return Kind::Closed;
    }

    public static function read(Shape $shape): self
    {
        return new self($shape->choice('why', self::WHYS), $shape->text('reason'));
    }

    public function write(): array
    {
        return ['why' => $this->why, 'reason' => $this->reason];
    }

    public static function schema(): array
    {
        return Schema::object(['why' => Schema::TEXT, 'reason' => Schema::TEXT]);
    }

    /** What was taken apart or begun is finished first: closing is no way around the proof. */
    public function rule(Door $door, Entry $entry): void
    {
        if (null !== $door->repairGroup()) {
            throw Refused::by('close', ['close-signed']);
        }
        if ([] !== $door->situation()->car->apart) {
            throw Refused::by('close', ['together']);
        }
    }
}
