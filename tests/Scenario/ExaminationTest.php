<?php

declare(strict_types=1);

namespace App\Tests\Scenario;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rodrel\Core\Tests\World;
use Rodrel\Core\Trial\Exam\Paper;
use Rodrel\Core\Trial\Shelf;

/**
 * A part of the written examination, played to its end with fixed answers: every third job of the medium car. The whole
 * of it takes a quarter of an hour (`rodrel:examine`); its result and its misses stand in `docs/benchmarks.md`.
 */
final class ExaminationTest extends TestCase
{
    private const VEHICLE = 'medium-car';
    private const EVERY = 3;
    private const ENDS_WELL = ['right', 'let-go'];

    private static ?Shelf $shelf = null;

    #[DataProvider('provideJobs')]
    public function testAJob(string $id): void
    {
        $paper = self::paper();
        $field = World::field(self::VEHICLE);
        self::$shelf ??= new Shelf(World::prediction($field->layout), World::catalogue()->faults);
        $marked = $paper->sit($paper->jobs[$id], null, $field, World::sound(self::VEHICLE), self::$shelf);
        $said = $marked['verdict'].' '.$marked['said'].': '.implode(' | ', $marked['trace']);
        self::assertContains($marked['status'], self::ENDS_WELL, $said);
        self::assertSame([], $marked['never'], $said);
        self::assertSame(0, $marked['unsafe'] + $marked['refused'], $said);
    }

    /** @return iterable<string, array{string}> */
    public static function provideJobs(): iterable
    {
        $n = 0;
        foreach (self::paper()->jobs as $id => $job) {
            if (self::VEHICLE === $job->told->vehicles[0] && 0 === $n++ % self::EVERY) {
                yield $id => [$id];
            }
        }
    }

    private static function paper(): Paper
    {
        $file = static fn (string $name): string => (string) file_get_contents(\dirname(__DIR__).'/Examination/'.$name);

        return Paper::of(
            $file('jobs.txt'),
            $file('sound.txt'),
            $file('lists.json'),
            World::catalogue(),
            World::settings(),
            new \DateTimeImmutable('2026-03-02 08:00:00'),
        );
    }
}
