<?php

declare(strict_types=1);

namespace Rodrel\Core\Tests\Isolation;

use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Isolation\Field;
use Rodrel\Core\Isolation\Reading;
use Rodrel\Core\Prediction\Signature;
use Rodrel\Core\Tests\World;
use Rodrel\Core\Vehicle\Layout;
use Rodrel\Core\Vocabulary\CheckAt;

/**
 * A field small enough to be worked by hand: a hose (weight 3) and a caliper (weight 1) at the left front of a
 * car with nothing else that could fail, and two checks whose chances are written down here.
 */
final class ToyField
{
    /** chance of yes: hose, caliper */
    public const PUSH = [0.9, 0.1];
    public const LOOK = [0.5, 0.4];

    /**
     * @param array{float, float} $push
     * @param array{float, float} $look
     * @param array{string, string}|null $repairs other repairs than those of a hose and a caliper
     * @param array<string, float> $more weights of further faults, which say nothing to either check
     */
    public static function make(
        array $push = self::PUSH,
        array $look = self::LOOK,
        ?array $repairs = null,
        int $consumables = 0,
        array $more = [],
    ): Field {
        $documents = World::documents();
        $keep = static fn (array $row, string $id, float $weight, string $place): array => [
            'id' => $id,
            'places' => $place,
            'repair' => $row['repair'],
            'weight' => $weight,
            'severity' => [],
            'effects' => [],
            'signs' => [],
            'ages_with' => $row['ages_with'],
            'confirm' => ['push'],
            'spoils' => [],
            'provenance' => 'handbook',
        ];
        [$hose, $caliper] = [$documents['faults']['faults'][0], $documents['faults']['faults'][5]];
        $known = array_column($documents['faults']['faults'], null, 'id');
        $documents['faults']['faults'] = [
            $keep($hose, 'hose.one-way', 3.0, 'vehicle'),
            $keep($caliper, 'piston.stuck-out', 1.0, 'vehicle'),
        ];
        foreach ($more as $id => $weight) {
            $documents['faults']['faults'][] = $keep($known[$id], $id, $weight, 'vehicle');
        }
        foreach ($repairs ?? [] as $n => $repair) {
            $documents['faults']['faults'][$n]['repair'] = $repair;
        }
        $sign = static fn (string $id, string $state, float $minutes): array => [
            'id' => $id,
            'places' => 'vehicle',
            'station' => 'under',
            'state' => $state,
            'minutes' => $minutes,
            'provenance' => 'estimate',
            'reason' => 'made up for a test',
            'observer' => ['type' => 'sign', 'words' => ['yes', 'no'], 'base' => [0.5, 0.5], 'blunder' => 0.0],
        ];
        $documents['checks']['checks'] = [
            ['consumables_cents' => $consumables] + $sign('push', 'wheels-off', 5.0),
            $sign('look', 'ground', 1.0),
        ];
        $catalogue = Catalogue::fromArray($documents);
        $row = static fn (array $yes): array => [
            'words' => ['yes', 'no'],
            'table' => [[$yes[0], 1.0 - $yes[0]], [$yes[1], 1.0 - $yes[1]], [0.5, 0.5]],
            'index' => [0, 1, ...array_fill(0, \count($more), 2)],
            'blunder' => 0.0,
            'noise' => 0.0,
            'cause' => '',
            'common' => 0.0,
        ];
        $rows = ['push@vehicle' => $row($push), 'look@vehicle' => $row($look)];
        $signature = Signature::fromArray([
            'format' => 3,
            'key' => 'toy',
            'particles' => 2 + \count($more),
            'simulations' => 0,
            'rows' => $rows,
        ]);

        return Field::of($catalogue->knowledge(), Layout::fromArray($catalogue->presets['medium-car']), $signature);
    }

    /**
     * The same two faults and one sheet of twenty rows: the caliper says no in the last one, everything else is yes.
     */
    public static function sheet(): Field
    {
        $field = self::make();
        $row = ['words' => ['yes', 'no'], 'blunder' => 0.02, 'noise' => 0.0, 'cause' => '', 'common' => 0.0];
        $rows = [];
        for ($n = 1; $n <= 20; ++$n) {
            $rows['look@vehicle/row-'.$n] = $row + [
                'table' => [[0.99, 0.01], [0.01, 0.99]],
                'index' => [0, 20 === $n ? 1 : 0],
            ];
        }
        $signature = Signature::fromArray([
            'format' => 3,
            'key' => 'sheet',
            'particles' => 2,
            'simulations' => 0,
            'rows' => $rows,
        ]);

        return Field::of($field->knowledge, $field->layout, $signature);
    }

    public static function reading(
        string $check,
        string $word,
        bool $unsure = false,
        string $at = '2026-03-01 10:00:00',
    ): Reading {
        return new Reading(
            $check.$word.$at,
            CheckAt::of($check, 'vehicle'),
            ['' => $word],
            $unsure,
            new \DateTimeImmutable($at),
        );
    }
}
