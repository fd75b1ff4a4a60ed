<?php

declare(strict_types=1);

namespace Rodrel\Core\Log;

use Rodrel\Core\Check\Checks;
use Rodrel\Core\Isolation\Reading;
use Rodrel\Core\Log\Payload\LiftPayload;
use Rodrel\Core\Log\Payload\Payload;
use Rodrel\Core\Log\Payload\ReadingPayload;
use Rodrel\Core\Vehicle\Lift;
use Rodrel\Core\Vocabulary\Place;

/** One epoch of a job: from one change of the vehicle to the next. */
final readonly class Chapter
{
    /** @param bool $stands confirmed since the vehicle was raised */
    private function __construct(public int $number, public Entries $entries, public Lift $lift, public bool $stands)
    {
    }

    /** @param list<Entry<Payload>> $entries */
    public static function of(int $number, array $entries, Lift $lift, bool $stands): self
    {
        return (new self($number, Entries::of([]), $lift, $stands))->with($entries);
    }

    /** @param list<Entry<Payload>> $entries that follow */
    public function with(array $entries): self
    {
        [$lift, $stands] = [$this->lift, $this->stands];
        foreach ($entries as $entry) {
            if ($entry->payload instanceof LiftPayload) {
                $lift = $entry->payload->to;
                $stands = Lift::Ground !== $lift && $entry->payload->stands;
            }
        }

        return new self($this->number, $this->entries->with($entries), $lift, $stands);
    }

    /**
     * @template T of Payload
     *
     * @param class-string<T> $type
     *
     * @return list<Entry<T>>
     */
    public function entriesOf(string $type): array
    {
        return $this->entries->only($type);
    }

    /**
     * @template T of Payload
     *
     * @param class-string<T> $type
     *
     * @return list<T>
     */
    public function said(string $type): array
    {
        return array_map(static fn (Entry $entry): Payload => $entry->payload, $this->entriesOf($type));
    }

    public function has(Kind $kind): bool
    {
        return $this->entries->has($kind);
    }

    /**
     * The places whose joints were opened for a reading in this epoch: air may be there now.
     *
     * @return list<Place>
     */
    public function openedAt(Checks $checks): array
    {
        $places = [];
        foreach ($this->entriesOf(ReadingPayload::class) as $entry) {
            $check = $entry->payload->check;
            if (null !== $checks->of($check)->demand->wake->opens) {
                $places[$check->place->id] = $check->place;
            }
        }

        return array_values($places);
    }
}
