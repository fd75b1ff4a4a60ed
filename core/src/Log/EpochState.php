<?php

declare(strict_types=1);

namespace Rodrel\Core\Log;

use Rodrel\Core\Check\Checks;
use Rodrel\Core\Isolation\CarState;
use Rodrel\Core\Isolation\Reading;
use Rodrel\Core\Log\Payload\CannotPayload;
use Rodrel\Core\Log\Payload\CoolPayload;
use Rodrel\Core\Log\Payload\IntakePayload;
use Rodrel\Core\Log\Payload\Payload;
use Rodrel\Core\Log\Payload\ReadingPayload;
use Rodrel\Core\Log\Payload\TogetherPayload;
use Rodrel\Core\Prediction\SoundSignature;
use Rodrel\Core\Vehicle\Layout;
use Rodrel\Core\Vehicle\Lift;
use Rodrel\Core\Vocabulary\ApartAt;

/**
 * What the entries of one epoch come to: which readings stand, how warm the wheels are, what is apart. One entry more
 * costs the same however many there are, as long as they come in the order they were taken.
 */
final readonly class EpochState
{
    /**
     * Over the air: nobody works at such a wheel yet; an ordinary drive leaves a front rotor at about half of it (K;
     * estimate).
     */
    public const SCALDING_K = 200.0;

    /**
     * @param CarState $car without where it stands: how warm it is, what is apart, what was made last
     * @param list<Reading> $readings those that stand
     * @param \DateTimeImmutable|null $openedAt when a joint was last opened or eased for a reading
     * @param array<string, list<string>> $cannot rows that cannot be looked at here, by check at its place
     */
    private function __construct(
        private ReadingsOf $readingsOf,
        private CarState $car = new CarState(Lift::Ground),
        public array $readings = [],
        public ?\DateTimeImmutable $openedAt = null,
        public array $cannot = [],
    ) {
    }

    /**
     * Without knowing what a sound vehicle shows typed numbers have no word yet and are left out.
     *
     * @param list<Entry<Payload>> $entries of one epoch
     */
    public static function of(array $entries, Checks $checks, ?SoundSignature $sound, Layout $layout): self
    {
        $state = new self(new ReadingsOf($checks, $sound, $layout));

        return $state->with($entries);
    }

    /** @param list<Entry<Payload>> $entries all of an epoch of the same vehicle, this one or another */
    public function anew(array $entries): self
    {
        return (new self($this->readingsOf))->with($entries);
    }

    /**
     * It was taken before a reading that stands here already: all are put in order anew.
     *
     * @param Entry<Payload> $entry
     */
    public function isLate(Entry $entry): bool
    {
        $last = $this->readings[\count($this->readings) - 1] ?? null;

        return null !== $last && $entry->takenAt < $last->takenAt;
    }

    /** @param list<Entry<Payload>> $entries that follow, none of them late */
    public function with(array $entries): self
    {
        $checks = $this->readingsOf->checks;
        [$cool, $drivenIn] = [$this->car->cool, $this->car->drivenIn];
        [$apart, $last] = [$this->car->apart, $this->car->last];
        [$openedAt, $readings, $cannot] = [$this->openedAt, $this->readings, $this->cannot];
        foreach ($entries as $entry) {
            $payload = $entry->payload;
            if ($payload instanceof IntakePayload) {
                $cool = !$payload->arrival->hot;
                $drivenIn = $payload->arrival->drivenIn;
            } elseif ($payload instanceof ReadingPayload && $checks->has($payload->check->id)) {
                $check = $last = $checks->of($payload->check);
                $cool = $cool && !($check->isHeat() && self::isScalding($payload));
                $wake = $check->demand->wake;
                $openedAt = null !== $wake->opens || $wake->eases ? $entry->takenAt : $openedAt;
                if (null !== $wake->apart) {
                    $apart[(string) ApartAt::of($wake->apart, $payload->check->place)] = $wake->backMinutes;
                }
            } elseif ($payload instanceof TogetherPayload) {
                unset($apart[(string) $payload->what]);
            } elseif ($payload instanceof CannotPayload) {
                $at = (string) $payload->check;
                $cannot[$at] = array_values(array_unique([...$cannot[$at] ?? [], ...$payload->rows]));
            } elseif ($payload instanceof CoolPayload) {
                $cool = true;
                $drivenIn = false;
            }
            array_push($readings, ...$this->readingsOf->entry($entry));
        }
        $readings = Reading::standing($readings);

        $car = new CarState(Lift::Ground, false, false, $cool, $drivenIn, $last, $apart);

        return new self($this->readingsOf, $car, $readings, $openedAt, $cannot);
    }

    /** @param bool $opened the system was opened and is not proved closed */
    public function car(Chapter $chapter, bool $opened): CarState
    {
        return new CarState(
            $chapter->lift,
            $chapter->stands,
            $opened,
            $this->car->cool,
            $this->car->drivenIn,
            $this->car->last,
            $this->car->apart,
        );
    }

    /** A wheel was measured so hot that nobody works at it yet. */
    private static function isScalding(ReadingPayload $reading): bool
    {
        foreach ($reading->numbers as $number) {
            if ($number->figure->core > self::SCALDING_K) {
                return true;
            }
        }

        return false;
    }
}
