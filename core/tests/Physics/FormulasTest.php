<?php

declare(strict_types=1);

namespace Rodrel\Core\Tests\Physics;

use PHPUnit\Framework\TestCase;
use Rodrel\Core\Check\Chance;
use Rodrel\Core\Heat\HeatRound;
use Rodrel\Core\Isolation\Costs;
use Rodrel\Core\Isolation\Weights;
use Rodrel\Core\Physics\CircuitBuilder;
use Rodrel\Core\Physics\CircuitForm;
use Rodrel\Core\Physics\Effects;
use Rodrel\Core\Physics\Foot;
use Rodrel\Core\Tests\Isolation\ToyField;
use Rodrel\Core\Tests\World;
use Rodrel\Core\Vehicle\WearLimit;

/** Small formulas at the points where they bend, each number worked out beside it. */
final class FormulasTest extends TestCase
{
    /** 150 N in 0.4 s, held 3 s, off in 0.2 s: half of it at 0.2 s, and again a tenth of a second after 3.4 s. */
    public function testTheFootFollowsItsStraightLines(): void
    {
        $press = Foot::press(150.0);
        $points = [[0.0, 0.0], [0.2, 75.0], [0.4, 150.0], [2.0, 150.0], [3.5, 75.0], [3.6, 0.0], [9.0, 0.0]];
        foreach ($points as [$t, $n]) {
            self::assertEqualsWithDelta($n, $press->at($t), 1e-9, "$t s");
        }
        self::assertSame(0.4, $press->nextCorner(0.0));
        self::assertSame(3.4, $press->nextCorner(0.4));
        self::assertSame(\INF, $press->nextCorner(3.6));
        self::assertEqualsWithDelta(0.2, $press->nextPassing(0.0, 75.0), 1e-12);
        self::assertEqualsWithDelta(3.5, $press->nextPassing(0.2, 75.0), 1e-12, 'not the one where it stands');
        self::assertEqualsWithDelta(3.5, $press->nextPassing(1.0, 75.0), 1e-12);
        self::assertSame(\INF, $press->nextPassing(3.55, 75.0));
        self::assertSame(\INF, $press->nextPassing(0.0, 151.0), 'it never gets there');
        // the second stroke of several begins at 0.85 s and is on at 1.10 s
        self::assertEqualsWithDelta(100.0, Foot::strokes(2, 100.0)->at(1.1), 1e-9);
        self::assertEqualsWithDelta(0.0, Foot::strokes(2, 100.0)->at(0.8), 1e-9);
    }

    /** At its limit to the hair a drum or rotor is within it; a hundredth past it is past. */
    public function testALimitThatIsJustReachedIsNotPassed(): void
    {
        self::assertSame(WearLimit::WITHIN, WearLimit::ofDrum(230.0, 230.0)->word);
        self::assertSame(WearLimit::PAST, WearLimit::ofDrum(230.01, 230.0)->word);
        self::assertSame(WearLimit::WITHIN, WearLimit::ofRotor(20.0, 20.0)->word);
        self::assertSame(WearLimit::PAST, WearLimit::ofRotor(19.99, 20.0)->word);
        self::assertEqualsWithDelta(1.2, WearLimit::ofRotor(21.2, 20.0)->leftMm, 1e-9);
    }

    /** 100 K at 60 s and 50 K at 660 s: tau = 600 / ln 2 = 865.6 s. Two at once, or a wheel that warms, say none. */
    public function testTheCoolingOfTwoReadings(): void
    {
        self::assertEqualsWithDelta(865.617, HeatRound::cooling(100.0, 60.0, 50.0, 660.0) ?? 0.0, 0.01);
        self::assertNull(HeatRound::cooling(100.0, 60.0, 100.0, 660.0), 'as warm as before');
        self::assertNull(HeatRound::cooling(100.0, 60.0, 50.0, 60.0), 'at the same moment');
        self::assertNull(HeatRound::cooling(100.0, 660.0, 50.0, 60.0), 'the second one first');
    }

    /** At its median: 1 / (x σ √2π); a factor e^σ away: e^−½ of that, over the other x. */
    public function testTheDensityOfATypedNumber(): void
    {
        self::assertEqualsWithDelta(0.398942, Chance::density(1.0, 1.0, 1.0), 1e-6);
        self::assertEqualsWithDelta(0.398942 / (2.0 * 0.5), Chance::density(2.0, 2.0, 0.5), 1e-6);
        self::assertEqualsWithDelta(0.398942 * 0.606531 / 2.718282, Chance::density(\M_E, 1.0, 1.0), 1e-6);
    }

    /** Logs of chances far below what a number can hold: 2 : 1 : 1 stays 2 : 1 : 1. */
    public function testWeightsOfVerySmallChances(): void
    {
        $half = -2000.0 - log(2.0);
        [$scaled, $top] = Weights::scaled([[-2000.0, $half, $half]]);
        $weights = Weights::ofScaled($scaled, 2, $top);
        self::assertEqualsWithDelta([0.5, 0.25, 0.25], $weights->posterior, 1e-12);
        self::assertEqualsWithDelta(-2000.0 + log(2.0), $weights->evidence, 1e-9);
        self::assertEqualsWithDelta(0.25, $weights->second, 1e-12);
    }

    /** Hose 6450, caliper 17750 cents. */
    public function testWhatAKnownFaultCosts(): void
    {
        $costs = Costs::of(ToyField::make(), World::settings());
        self::assertEqualsWithDelta(17750.0, $costs->ifTruthWereKnown([0.0, 1.0]), 1e-6);
        self::assertEqualsWithDelta(6450.0, $costs->ifTruthWereKnown([1.0, 0.0]), 1e-6);
    }

    /** All nodes at once take what each takes by itself, on both sides of the corner of V(p). */
    public function testVolumesOfAllNodesAreThoseOfEach(): void
    {
        $layout = World::handbook();
        $effects = new Effects(['wheel@lf' => ['air' => 2.0]]);
        $circuit = (new CircuitBuilder($layout))->build($layout->chambers[0], $effects);
        foreach ([-20.0, 0.0, 0.3, 50.0, 900.0] as $kpa) {
            $all = $circuit->volumes(array_fill(0, \count($circuit->names), $kpa));
            foreach (array_keys($circuit->names) as $node) {
                self::assertEqualsWithDelta($circuit->volume($node, $kpa), $all[$node], 1e-12, $circuit->names[$node]);
            }
        }
    }

    /** The form tells a fault from another, and not left from right. */
    public function testTheFormOfACircuit(): void
    {
        $layout = World::handbook('front-rear-discs');
        $builder = new CircuitBuilder($layout);
        $form = static fn (array $effects): string => CircuitForm::of(
            $builder->build($layout->chambers[0], new Effects($effects)),
        )->print;
        self::assertSame($form(['hose@lf' => ['gr' => 1e-5]]), $form(['hose@rf' => ['gr' => 1e-5]]));
        $prints = array_map($form, [
            [],
            ['hose@lf' => ['gr' => 1e-5]],
            ['hose@lf' => ['gr' => 1e-5], 'hose@rf' => ['gr' => 1e-5]],
            ['hose@lf' => ['gr' => 1e-5], 'wheel@lf' => ['air' => 1.0]],
            ['hose@lf' => ['gr' => 1e-5], 'wheel@rf' => ['air' => 1.0]],
            ['brake@lf' => ['hold' => 900.0]],
            ['chamber@primary' => ['rest' => 0.1]],
        ]);
        self::assertSame($prints, array_unique($prints));
    }

    /** All that fluid feels tells two circuits apart; what only rubs tells their forms apart, and no pressure. */
    public function testWhatTellsCircuitsApart(): void
    {
        $layout = World::layout('heavy-van');
        $builder = new CircuitBuilder($layout);
        $prints = static function (array $effects) use ($builder, $layout): array {
            $circuit = $builder->build($layout->chambers[0], new Effects($effects));

            return [CircuitForm::of($circuit)->print, $circuit->hydraulicPrint()];
        };
        $wheel = $layout->chambers[0]->wheels[0];
        $chamber = $layout->chambers[0]->id;
        [$form, $hydraulic] = $prints([]);
        $felt = [
            "wheel@$wheel->value" => ['stiffness' => 1e-3, 'air' => 1.0, 'leak' => 1e-4, 'extra_clearance' => 0.5],
            "hose@$wheel->value" => ['gf' => 1e-3, 'gr' => 1e-3, 'hold' => 50.0],
            "pipe@$wheel->value" => ['gf' => 1e-3, 'gr' => 1e-3],
            "hose-top@$wheel->value" => ['stiffness' => 1e-4, 'leak' => 1e-4],
            "brake@$wheel->value" => $layout->brake($wheel)->disc ? [] : ['spring' => 20.0],
            "chamber@$chamber" => array_fill_keys(['rest', 'start', 'bypass_hard', 'bypass_light', 'air'], 0.1)
                + ['port' => 1e-3],
            'master' => ['bore_share' => 1.1],
            'fluid' => ['flow' => 0.5],
        ];
        foreach ($felt as $target => $parameters) {
            foreach ($parameters as $parameter => $value) {
                $changed = $prints([$target => [$parameter => $value]]);
                self::assertNotSame($form, $changed[0], "$target $parameter");
                self::assertNotSame($hydraulic, $changed[1], "$target $parameter");
            }
        }
        foreach (['apply', 'hold', 'bracket', 'pins', 'friction', 'extra_drag'] as $parameter) {
            $changed = $prints(["brake@$wheel->value" => [$parameter => 0.2]]);
            self::assertNotSame($form, $changed[0], $parameter);
            self::assertSame($hydraulic, $changed[1], $parameter);
        }
        // pads that jam in their bracket resist both ways, over what a sound brake does
        $jammed = $builder->build($layout->chambers[0], new Effects(["brake@$wheel->value" => ['bracket' => 100.0]]));
        self::assertSame(
            [115.0, 115.0],
            [$jammed->friction[$wheel->value]->band->applyN, $jammed->friction[$wheel->value]->band->holdN],
        );
    }
}
