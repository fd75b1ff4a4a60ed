<?php

declare(strict_types=1);

namespace Rodrel\Core\Job;

use Rodrel\Core\Log\Entry;
use Rodrel\Core\Log\Payload\RepairedPayload;
use Rodrel\Core\Log\Payload\StepPayload;
use Rodrel\Core\Log\Story;
use Rodrel\Core\Quantity\Quantity;
use Rodrel\Core\Repair\Sheet;
use Rodrel\Core\Repair\Step;

/** A required step of a finished sheet, at one place, that still keeps the vehicle from leaving. */
final readonly class OpenStep
{
    /** Not done. */
    public const MISSING = 'missing';
    /** Done, and nobody looked at it a second time. */
    public const UNSEEN = 'unseen';
    /** Its figure lies outside the typical band, and nobody else stands for it as the vehicle's own. */
    public const OUTSIDE = 'outside';
    /** A torque may differ so much from the vehicle's own figure (share; what a wrench is good for). */
    private const WRENCH = 0.1;

    /**
     * @param string $name under which it is written
     * @param string $place where it is done
     * @param Entry<StepPayload>|null $done
     * @param string $why one of the constants
     */
    private function __construct(
        public Step $step,
        public string $name,
        public string $place,
        public ?Entry $done,
        public string $why,
    ) {
    }

    /** Wheels go on after the bleed run: their nuts are the proof's first line, and nobody waives it. */
    public function isWheel(): bool
    {
        return $this->step->last && self::MISSING === $this->why;
    }

    /**
     * @param Sheet|null $of what was changed; null: nothing was
     *
     * @return list<self> in the order of the sheet
     */
    public static function all(?Sheet $of, Story $story): array
    {
        $sheet = $story->last(RepairedPayload::class)->payload->sheet ?? '';
        $all = [];
        foreach ($of->steps ?? [] as $line) {
            foreach ($line->step->required ? $line->names : [] as $place => $names) {
                $done = $story->stepDone($sheet, ...$names);
                $why = self::why($story, $line->step, $done);
                if (null !== $why) {
                    $all[] = new self($line->step, $names[0], $place, $done, $why);
                }
            }
        }

        return $all;
    }

    /**
     * @param list<self> $open
     *
     * @return list<string> what is done, each once, without where
     */
    public static function ids(array $open): array
    {
        return array_values(array_unique(array_map(static fn (self $one): string => $one->step->id, $open)));
    }

    /** @param Entry<StepPayload>|null $done */
    private static function why(Story $story, Step $step, ?Entry $done): ?string
    {
        return match (true) {
            null === $done => self::MISSING,
            true === $step->figure?->holdPoint && !$story->stepConfirmed($done) => self::UNSEEN,
            self::isOutside($story, $step, $done) => self::OUTSIDE,
            default => null,
        };
    }

    /**
     * A figure outside its typical band passes only where it is the vehicle's own, from its service data, and somebody
     * else stands for it; a gap is only ever too small.
     *
     * @param Entry<StepPayload> $done
     */
    private static function isOutside(Story $story, Step $step, Entry $done): bool
    {
        $typed = $done->payload->figure?->core;
        if (null === $step->figure || null === $typed) {
            return false;
        }
        [$least, $most] = $step->figure->typical;
        if ($typed >= $least && ($typed <= $most || Quantity::Length === $step->figure->measures)) {
            return false;
        }
        $own = $story->torques()[$step->id] ?? null;

        return null === $own || abs($typed - $own) > self::WRENCH * $own || !$story->stepConfirmedByAnother($done);
    }
}
