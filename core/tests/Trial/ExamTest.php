<?php

declare(strict_types=1);

namespace Rodrel\Core\Tests\Trial;

use PHPUnit\Framework\TestCase;
use Rodrel\Core\Tests\World;
use Rodrel\Core\Trial\Exam\Answers;
use Rodrel\Core\Trial\Exam\Variants;
use Rodrel\Core\Trial\Exam\Written;
use Rodrel\Core\Vocabulary\CheckAt;
use Rodrel\Core\Vocabulary\Corner;

/** The written examination: how its jobs are read, and what their vehicles answer. */
final class ExamTest extends TestCase
{
    private const JOB = <<<'TEXT'
        # a comment
        == hose-rf
        medium-car small-hatch | drags-rf pulls-left | warm | fitted caliper@rf 4
        right hose@rf
        minutes 30 kind drag-wheel
        held rf two-hands frees=minutes
        trap rf hose
        look level=of-rf
        pull whole=to-the-left
        then hose@rf
        held rf one-hand
        TEXT;

    /** What holds at a hose frees at its bleeder and at nothing above; its piston goes back once that is open. */
    public function testWhatAVehicleAnswers(): void
    {
        $checks = World::catalogue()->checks;
        $job = Written::all(self::JOB)['hose-rf'];
        $answers = Answers::of($checks, World::layout(), ['heat-arrival as-expected'], $job->lines);
        $to = static fn (string $check): array => $answers->to(CheckAt::parse($check));
        self::assertSame('two-hands', $to('spin@vehicle')['rf']);
        self::assertSame('one-finger', $to('spin@vehicle')['lf']);
        self::assertSame('minutes', $to('free-after@vehicle')['rf']);
        $hot = $to('heat-arrival@vehicle');
        self::assertSame(['hot', 'as-expected'], [$hot['rf'], $hot['lf']]);
        $rungs = ['bleeder-open', 'hose-top', 'modulator-outlet', 'master-outlet', 'master-eased', 'cap-loosened'];
        $said = array_map(static fn (string $rung): string => $to($rung.'@rf')[''], $rungs);
        self::assertSame(['spurts-frees', ...array_fill(0, 5, 'stays-stuck')], $said);
        self::assertSame('hard-shut-easy-open', $to('push-back@rf')['']);
        self::assertSame('would-not-stick', $to('bleeder-open@lf')[''], 'nobody said anything of the other side');
        $circuit = World::layout()->chamberOf(Corner::RightFront)->id;
        self::assertSame($circuit, $to('look@vehicle')['level']);
    }

    /** Left and right change over in everything that is said: wheels, pulls, parts. */
    public function testTheOtherSide(): void
    {
        $job = Written::all(self::JOB)['hose-rf']->mirrored('other', 'small-hatch');
        self::assertSame(['drags-lf', 'pulls-right'], $job->told->complaints);
        self::assertSame(['fitted caliper@lf 4'], $job->told->known);
        self::assertSame(['hose@lf'], $job->truth->right);
        self::assertSame(
            ['held lf two-hands frees=minutes', 'trap lf hose', 'look level=of-lf', 'pull whole=to-the-right'],
            $job->lines,
        );
        self::assertSame(['hose@lf' => ['held lf one-hand']], $job->after);
    }

    /** All jobs that ship can be read, on every vehicle they can be, and name groups that those vehicles can need. */
    public function testEveryJobThatShips(): void
    {
        $catalogue = World::catalogue();
        $jobs = Written::all((string) file_get_contents(__DIR__.'/../../../tests/Examination/jobs.txt'));
        self::assertGreaterThanOrEqual(80, \count($jobs));
        $layouts = [];
        foreach (array_keys($catalogue->presets) as $preset) {
            $layouts[$preset] = World::layout($preset);
        }
        $variants = new Variants($catalogue->checks, $layouts, 7);
        $all = $good = 0;
        foreach ($jobs as $job) {
            foreach ($variants->of($job) as [$one, $vehicle]) {
                ++$all;
                $good += (int) ([] === $one->truth->right);
                Answers::of($catalogue->checks, $layouts[$vehicle], [], $one->lines);
                $known = $catalogue->faults->repairsIn($layouts[$vehicle]);
                $named = array_filter($one->truth->right, static fn (string $group): bool => isset($known[$group]));
                self::assertSame([] === $one->truth->right, [] === $named, $one->id.' on '.$vehicle);
                foreach ($one->told->complaints as $complaint) {
                    self::assertArrayHasKey($complaint, $catalogue->complaints->all, $one->id);
                }
            }
        }
        self::assertGreaterThanOrEqual(300, $all);
        self::assertGreaterThanOrEqual(40, $good);
    }
}
