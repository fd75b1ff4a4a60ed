<?php

declare(strict_types=1);

namespace App\Tests\Functional;

use App\Kernel;
use App\Prediction\SideBySide;
use App\Prediction\SignalsWait;
use PHPUnit\Framework\TestCase;
use Rodrel\Core\Tests\World;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\ConsoleEvents;
use Symfony\Component\Console\Event\ConsoleCommandEvent;
use Symfony\Component\Console\Input\ArrayInput;
use Symfony\Component\Console\Output\NullOutput;

/** Two processes, faults in parts and a rain of signals change no prediction, nor does what was computed before it. */
final class SideBySideTest extends TestCase
{
    private const JIT = '-d opcache.enable_cli=1 -d opcache.jit_buffer_size=64M -d opcache.jit=function';
    private const FAULTS = ['caliper.leaks', 'air.wheel', 'inlet-valve.holds', 'hose.closes', 'cylinder.leaks'];

    public function testCompiledAndInterruptedTheyAreWhatEachIsAlone(): void
    {
        $script = escapeshellarg(__DIR__.'/lib/storm.php');
        exec('php '.self::JIT." $script storm medium-car ".implode(' ', self::FAULTS).' 2>&1', $lines);
        $taken = (int) array_pop($lines);
        self::assertGreaterThan(20, $taken, implode("\n", $lines));
        $alone = [];
        foreach (self::FAULTS as $id) {
            $fault = World::catalogue()->faults->of($id);
            $rows = World::prediction(World::layout('medium-car'))->fault($fault)->rows;
            ksort($rows);
            $alone[] = hash('sha256', serialize($rows));
        }
        self::assertSame($alone, $lines);
    }

    /** Symfony's console takes signals in at any moment: ours do not, the worker between two messages. */
    public function testOurCommandsTakeNoSignalsIn(): void
    {
        $event = static fn (string $name): ConsoleCommandEvent => new ConsoleCommandEvent(
            new Command($name),
            new ArrayInput([]),
            new NullOutput(),
        );
        $taken = [];
        foreach (['messenger:consume', 'rodrel:judge'] as $name) {
            pcntl_async_signals(true);
            (new SignalsWait())($event($name));
            $taken[$name] = pcntl_async_signals(false);
        }
        self::assertSame(['messenger:consume' => true, 'rodrel:judge' => false], $taken);
        $kernel = new Kernel('test', false);
        $kernel->boot();
        $listens = $kernel->getContainer()->get('event_dispatcher')->getListeners(ConsoleEvents::COMMAND);
        $ours = array_filter($listens, static fn (mixed $one): bool => ($one[0] ?? $one) instanceof SignalsWait);
        self::assertCount(1, $ours);
    }

    public function testWhatTheOtherProcessCannotDoIsDoneHere(): void
    {
        $here = getmypid();
        $done = [];
        $task = static fn (int $n): \Closure => static fn (): int => getmypid() === $here
            ? $n * $n
            : throw new \RuntimeException('not there');
        SideBySide::run(array_map($task, range(0, 9)), static function (int $n, int $square) use (&$done): void {
            $done[$n] = $square;
        });
        ksort($done);
        self::assertSame([0, 1, 4, 9, 16, 25, 36, 49, 64, 81], $done);
    }
}
