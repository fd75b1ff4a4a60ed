<?php

declare(strict_types=1);

namespace Rodrel\Core\Check\Observer;

use Rodrel\Core\Check\Complaint\Complaints;
use Rodrel\Core\Shape;

/** Reads observers of every kind; a new one is a class and its line here. */
final readonly class Observers
{
    private const ALL = [
        ComplaintObserver::class,
        NumberObserver::class,
        OpenedObserver::class,
        PushBackObserver::class,
        SignObserver::class,
        SignedObserver::class,
        StillObserver::class,
        WhereObserver::class,
        WordsObserver::class,
    ];

    /** @param list<string> $drives ids of the drives there are */
    public function __construct(public Complaints $complaints, private array $drives)
    {
    }

    public function read(Shape $shape): Observer
    {
        $kinds = array_map(static fn (string $class): string => $class::kind(), self::ALL);
        $kind = $shape->choice('type', $kinds);

        return self::ALL[(int) array_search($kind, $kinds, true)]::fromShape($shape, $this);
    }

    public function source(Shape $shape): ?Source
    {
        return Source::fromShape($shape, $this->drives);
    }

    /** A stand-in where a row could not be read. */
    public function none(): Observer
    {
        $row = ['type' => 'sign', 'words' => ['yes', 'no'], 'base' => [0.5, 0.5]];

        return SignObserver::fromShape(new Shape($row), $this);
    }
}
