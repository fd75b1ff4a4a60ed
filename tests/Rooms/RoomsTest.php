<?php

declare(strict_types=1);

namespace App\Tests\Rooms;

use PHPat\Selector\Selector;
use PHPat\Test\Builder\Rule;
use PHPat\Test\PHPat;

/**
 * Rooms look one way: none knows those that come after it. Read by PHPStan in lint; `docs/architecture.md` draws it.
 */
final class RoomsTest
{
    /** Of the core, each knows those before it only. */
    public const CORE = [
        'Vocabulary',
        'Quantity',
        'Vehicle',
        'Heat',
        'Physics',
        'Road',
        'Fault',
        'Check',
        'Prediction',
        'Isolation',
        'Repair',
        'Bleeding',
        'Proof',
        'Catalogue',
        'Log',
        'Job',
        'Rig',
        'Trial',
    ];
    /**
     * Of the application, likewise: foundations, the job itself, one room per screen, and what stands beside it all.
     */
    public const APP = [
        'Watch',
        'Input',
        'Account',
        'Catalogue',
        'Prediction',
        'Vehicle',
        'Shop',
        'Text',
        'Job',
        'Instrument',
        'Practice',
        'Photo',
        'Inboard',
        'Bench',
        'Heat',
        'Bleed',
        'Proof',
        'Item',
        'Figures',
        'History',
        'Repair',
        'Finding',
        'Report',
        'Door',
        'Desk',
        'Exchange',
        'Demo',
    ];

    /** @return iterable<string, Rule> */
    public function testARoomOfTheCoreKnowsOnlyTheRoomsBeforeIt(): iterable
    {
        yield from $this->rules('Rodrel\Core', self::CORE);
    }

    /** @return iterable<string, Rule> */
    public function testARoomOfTheApplicationKnowsOnlyTheRoomsBeforeIt(): iterable
    {
        yield from $this->rules('App', self::APP);
    }

    public function testTheCoreKnowsNothingOfTheApplication(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('Rodrel\Core'))
            ->shouldNotDependOn()
            ->classes(Selector::inNamespace('App'), Selector::inNamespace('Symfony'), Selector::inNamespace('Doctrine'))
            ->because('the core has no interface, framework or database code');
    }

    /**
     * @param list<string> $rooms
     *
     * @return iterable<string, Rule>
     */
    private function rules(string $root, array $rooms): iterable
    {
        foreach ($rooms as $n => $room) {
            $later = \array_slice($rooms, $n + 1);
            if ([] === $later) {
                continue;
            }
            yield $root.' '.$room => PHPat::rule()
                ->classes(Selector::inNamespace($root.'\\'.$room))
                ->shouldNotDependOn()
                ->classes(
                    ...array_map(static fn (string $other) => Selector::inNamespace($root.'\\'.$other), $later),
                )
                ->because('rooms look one way');
        }
    }
}
