<?php

declare(strict_types=1);

namespace Rodrel\Core\Tests\Physics;

use PHPUnit\Framework\TestCase;
use Rodrel\Core\Physics\CircuitBuilder;
use Rodrel\Core\Physics\CircuitSolver;
use Rodrel\Core\Physics\CircuitState;
use Rodrel\Core\Physics\Effects;
use Rodrel\Core\Physics\Source;
use Rodrel\Core\Tests\World;

/** Another source of pressure than a foot: the solver does not know the difference. */
final class SourceTest extends TestCase
{
    /**
     * Stored gas of 200 mL at 8000 kPa gives fluid into one circuit: (p + 101)·V^1.3 stays, so with the 3.6 mL that the
     * circuit takes it has 8101·(200/203.6)^1.3 − 101 = 7814 kPa left; the wheels stand at what the gas has.
     */
    public function testStoredPressureFallsAsItGives(): void
    {
        $layout = World::handbook();
        $circuit = (new CircuitBuilder($layout))->build($layout->chambers[0], Effects::none());
        $state = CircuitState::atRest($circuit);
        $gas = new class implements Source {
            public function kpa(float $t, float $givenMl): float
            {
                return 8101.0 * (200.0 / (200.0 + $givenMl)) ** 1.3 - 101.0;
            }

            public function nextCorner(float $t): float
            {
                return \INF;
            }
        };
        (new CircuitSolver())->run($circuit, $state, $gas, 5.0);
        $given = $state->pistonMl;
        // front caliper 0.35 + 2.2e-4·8000, rear cylinder 0.55 + 1.2e-4·8000, both lines a few hundredths: 3.6 mL
        self::assertEqualsWithDelta(3.6, $given, 0.2);
        self::assertEqualsWithDelta(8101.0 * (200.0 / 203.6) ** 1.3 - 101.0, $state->wheelKpa($circuit, 'lf'), 20.0);
        self::assertEqualsWithDelta($gas->kpa(5.0, $given), $state->wheelKpa($circuit, 'rr'), 5.0);
    }
}
