<?php

declare(strict_types=1);

namespace App\Tests\Browser;

use Random\Engine\Mt19937;
use Rodrel\Core\Quantity\Unit;
use Rodrel\Core\Rig\HiddenVehicle;
use Rodrel\Core\Tests\World;
use Rodrel\Core\Vocabulary\CheckAt;

/** The vehicle on the ramp: only it knows its fault; it answers a check's sheet by keyboard or by touch. */
final class ModelAnswers
{
    /** The air that the thermometer readings stand over. */
    public const AIR_C = 15.0;

    private HiddenVehicle $vehicle;

    public function __construct(private readonly string $preset, string $suspect, int $grade)
    {
        $this->vehicle = HiddenVehicle::with(World::field($preset), $suspect, $grade, new Mt19937(3));
    }

    public function repaired(): void
    {
        $this->vehicle = HiddenVehicle::with(World::field($this->preset), 'nothing.wrong@vehicle', 0, new Mt19937(3));
    }

    /**
     * What is found on a round, whose words stand in an order of their own.
     *
     * @return array<string, string> word, or the number to type, by row
     */
    public function found(string $check): array
    {
        $found = [];
        $words = $this->vehicle->answer(CheckAt::parse($check));
        foreach ($this->keys($check) as $row => $key) {
            $word = $words[$row];
            $found[$row] = \is_float($word) ? (string) $key : $word;
        }

        return $found;
    }

    /**
     * The position (from 1) of each row's answer, or the number to type.
     *
     * @return array<string, int|string>
     */
    public function keys(string $check): array
    {
        $keys = [];
        $at = CheckAt::parse($check);
        $asked = World::catalogue()->checks->of($at);
        foreach ($this->vehicle->answer($at) as $row => $answer) {
            $observer = $asked->row($row)->observer ?? throw new \LogicException("$check has no row $row");
            if (!\is_float($answer)) {
                $keys[$row] = 1 + (int) array_search($answer, $observer->words(), true);
                continue;
            }
            $typed = $asked->isHeat()
                ? self::AIR_C + $answer
                : ($observer->typed->unit ?? Unit::Celsius)->fromCore($answer);
            $keys[$row] = (string) round($typed, 1);
        }

        return $keys;
    }
}
