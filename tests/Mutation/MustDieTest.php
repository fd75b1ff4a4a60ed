<?php

declare(strict_types=1);

namespace App\Tests\Mutation;

use PHPUnit\Framework\TestCase;

/** The changes that must never go unnoticed: each weakens a gate, a caution or the judgement, and each has its test. */
final class MustDieTest extends TestCase
{
    private const AT_ONCE = 2;

    public function testNoneOfThemGoesUnnoticed(): void
    {
        $root = \dirname(__DIR__, 2);
        $waiting = iterator_to_array(self::mutants());
        $running = $unnoticed = [];
        while ([] !== $waiting || [] !== $running) {
            while ([] !== $waiting && \count($running) < self::AT_ONCE) {
                $name = array_key_first($waiting);
                [$path, $there, $instead, $filter] = $waiting[$name];
                unset($waiting[$name]);
                $code = (string) file_get_contents($root.'/'.$path);
                self::assertSame(1, substr_count($code, $there), $name.': the place to change is there, once');
                $running[$name] = Victim::start($root, $path, str_replace($there, $instead, $code), $filter, 'core');
            }
            foreach ($running as $name => $victim) {
                if (null !== ($verdict = $victim->verdict())) {
                    unset($running[$name]);
                    $unnoticed = Victim::KILLED === $verdict ? $unnoticed : [...$unnoticed, $name.': '.$verdict];
                }
            }
            usleep(20_000);
        }
        self::assertSame([], $unnoticed);
    }

    /** The tests named above pass on the core as it is: what kills is the change. */
    public function testTheCoreAsItIsSurvives(): void
    {
        $root = \dirname(__DIR__, 2);
        $filters = array_unique(array_column(iterator_to_array(self::mutants()), 3));
        $path = 'core/src/Isolation/Verdict.php';
        $victim = Victim::start(
            $root,
            $path,
            (string) file_get_contents($root.'/'.$path),
            implode('|', $filters),
            'core',
        );
        self::assertSame(Victim::SURVIVED, $victim->wait());
    }

    /**
     * @return iterable<string, array{string, string, string, string}> file, what is there, what instead, the tests that
     *     notice
     */
    private static function mutants(): iterable
    {
        $gates = 'core/data/gates.json';
        $checks = 'core/data/checks.json';
        $isolation = 'core/src/Isolation/';
        yield 'the road opens with two hands of drag' => [
            $gates,
            '"reads": [{"check": "spin-hard", "words": ["one-finger", "one-hand"]}',
            '"reads": [{"check": "spin-hard", "words": ["one-finger", "one-hand", "two-hands"]}',
            'TwoHandsOfDrag',
        ];
        yield 'the hot gate can be overridden' => [
            $gates,
            '"hot": {"overridable": false',
            '"hot": {"overridable": true',
            'TwoHandsOfDrag',
        ];
        yield 'handed over without the road gate' => [
            'core/src/Log/Payload/HandoverPayload.php',
            'if (!$door->road()->isOpen())',
            'if (false)',
            'RaisedVehicle',
        ];
        yield 'a sinking pedal passes the proof' => [
            'core/data/proof.json',
            '"sink": ["none"]',
            '"sink": ["none", "sinks"]',
            'ASinkingPedal',
        ];
        yield 'scalding at 300 K' => [
            'core/src/Log/EpochState.php',
            'SCALDING_K = 200.0',
            'SCALDING_K = 300.0',
            'AScaldingWheel',
        ];
        yield 'a cold wheel is accepted on a brake loop' => [
            $checks,
            '"minutes": 12, "gates": ["road", "boiling"], "proves": ["as-expected"]',
            '"minutes": 12, "gates": ["road", "boiling"], "proves": ["as-expected", "cool"]',
            'StaysCool',
        ];
        yield 'any reading confirms' => [
            $isolation.'Confirmation.php',
            'SPEAKS_FOR = 2.0',
            'SPEAKS_FOR = 0.0',
            'WhatConfirms',
        ];
        yield 'thirty times likelier elsewhere is no contradiction' => [
            $isolation.'Contradiction.php',
            'LIKELIER = 5.0',
            'LIKELIER = 50.0',
            'ARareWord',
        ];
        yield 'cheap parts want confirming and dear ones do not' => [
            $isolation.'Confirmation.php',
            '$parts > $settings->confirmAboveCents',
            '$parts < $settings->confirmAboveCents',
            'WhatConfirms',
        ];
        yield 'bleeding is always counted' => [
            $isolation.'Way.php',
            '!$this->car->opened ? $this->times->bleedMinutes : 0.0',
            '!$this->car->opened ? $this->times->bleedMinutes : $this->times->bleedMinutes',
            'ConsumablesAndBleeding',
        ];
        yield 'consumables cost nothing' => [
            $isolation.'Planner.php',
            '            - $check->demand->consumablesCents;',
            '            ;',
            'ConsumablesAndBleeding',
        ];
        yield 'nobody ever slips' => [
            $isolation.'Evidence.php',
            '$signature[\'blunder\'] * $times',
            '0.01 * $signature[\'blunder\'] * $times',
            'IsASlip',
        ];
        yield 'a vehicle that stood is no rustier' => [
            'core/src/Job/Diagnosis.php',
            'STOOD = 20.0',
            'STOOD = 2.0',
            'AVehicleThatStood',
        ];
        yield 'the port ignores where its piston starts' => [
            'core/src/Physics/Piston.php',
            '$this->restMl <= 0.0 && $this->startMl <= 0.0 &&',
            '$this->restMl <= 0.0 &&',
            'APortIsCovered',
        ];
        yield 'what holds helps the push' => [
            'core/src/Check/Instruments.php',
            '$toolKpa - $opening) / $resistance',
            '$toolKpa + $opening) / $resistance',
            'WhatHoldsHinders',
        ];
        yield 'the pedal is pressed with a drum off' => [
            $gates,
            '"before": {"pressing": true}',
            '"before": {"pressing": false}',
            'NoPressWithADrumOff',
        ];
        yield 'a wheel nut passes at any torque' => [
            'core/src/Job/OpenStep.php',
            'self::isOutside($story, $step, $done) => self::OUTSIDE,',
            '',
            'TorqueOfABanjo',
        ];
        yield 'an undone reading keeps the finding' => [
            'core/src/Log/Story.php',
            'if (null !== $finding && \in_array($reading->id, $finding->payload->readings, true))',
            'if (false)',
            'TakesTheFinding',
        ];
    }
}
