<?php

declare(strict_types=1);

namespace Rodrel\Core\Tests\Prediction;

use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Rodrel\Core\Tests\World;

/** The just-in-time compiler changes no figure: a sample here, every fault of every preset in `./rodrel test every`. */
final class JitTest extends TestCase
{
    private const JIT = '-d opcache.enable_cli=1 -d opcache.jit_buffer_size=64M -d opcache.jit=';

    public function testPredictionsAreTheSameWithAndWithoutIt(): void
    {
        $chance = new Randomizer(new Mt19937(7));
        $faults = array_keys(World::catalogue()->faults->all);
        $lines = 0;
        foreach (array_keys(World::catalogue()->presets) as $preset) {
            $asked = World::isAsked()
                ? []
                : array_map(static fn (int $n): string => $faults[$n], $chance->pickArrayKeys($faults, 2));
            $with = $this->run_(self::JIT.'function', [$preset, ...$asked]);
            $without = $this->run_(self::JIT.'off', [$preset, ...$asked]);
            self::assertSame('just-in-time compiler on', array_shift($with));
            self::assertSame('just-in-time compiler off', array_shift($without));
            self::assertSame($without, $with);
            $lines += \count($with);
        }
        self::assertGreaterThanOrEqual(12, $lines);
    }

    /**
     * @param list<string> $arguments
     *
     * @return list<string>
     */
    private function run_(string $options, array $arguments): array
    {
        $script = escapeshellarg(\dirname(__DIR__).'/lib/predictions.php');
        $command
            = 'php -d memory_limit=1G '
            .$options
            .' '
            .$script
            .' '
            .implode(' ', array_map(escapeshellarg(...), $arguments));
        exec($command.' 2>/dev/null', $lines, $code);
        self::assertSame(0, $code);

        return $lines;
    }
}
