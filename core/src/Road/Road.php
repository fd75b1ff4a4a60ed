<?php

declare(strict_types=1);

namespace Rodrel\Core\Road;

use Rodrel\Core\Vehicle\Layout;
use Rodrel\Core\Vocabulary\Corner;

/** Wheels on a road: braking forces, the load that moves forward in a stop, and where a wheel locks. Forces in N. */
final readonly class Road
{
    private const GRAVITY = 9.81; // m/s², law
    /** The rear axle turns the vehicle less than the steered one (handbook). */
    private const REAR_PULL = 0.4;
    /** Where a wheel is held at its grip each round comes nearer by grip times height to wheelbase, a third at most. */
    private const ROUNDS = 60;
    private const DRY = 0.9; // grip (handbook)
    private const WET = 0.6; // grip (handbook)

    private function __construct(private Layout $layout, private float $grip)
    {
    }

    public static function dry(Layout $layout): self
    {
        return new self($layout, self::DRY);
    }

    public static function wet(Layout $layout): self
    {
        return new self($layout, self::WET);
    }

    /**
     * Each wheel's force at the road, capped at the grip on its load; the cap is also where anti-lock holds it.
     *
     * @param array<string, float> $torqueNm by corner
     *
     * @return array{forces: array<string, float>, loads: array<string, float>, decel: float} N, N, m/s²
     */
    public function stop(array $torqueNm): array
    {
        $perM = 1.0 / $this->layout->body->tyreRadiusM;
        $forces = array_map(static fn (float $nm): float => max(0.0, $nm) * $perM, $torqueNm);
        $held = $forces;
        $decel = array_sum($forces) / $this->layout->body->massKg;
        $loads = $this->loads($decel);
        for ($round = 0; $round < self::ROUNDS; ++$round) {
            foreach ($loads as $corner => $load) {
                $held[$corner] = min($forces[$corner], $this->grip * $load);
            }
            $before = $decel;
            $decel = array_sum($held) / $this->layout->body->massKg;
            if ($decel === $before) {
                break;
            }
            $loads = $this->loads($decel);
        }

        return ['forces' => $held, 'loads' => $loads, 'decel' => $decel];
    }

    /**
     * Wanted force over what the load under the wheel can take; above 1 the wheel locks.
     *
     * @param array<string, float> $torqueNm by corner
     *
     * @return array<string, float>
     */
    public function gripUsed(array $torqueNm): array
    {
        $loads = $this->stop($torqueNm)['loads'];
        $used = [];
        foreach (Corner::cases() as $corner) {
            $used[$corner->value]
                = max(0.0, $torqueNm[$corner->value])
                / $this->layout->body->tyreRadiusM
                / ($this->grip * $loads[$corner->value]);
        }

        return $used;
    }

    /**
     * ((F_lf − F_rf) + 0.4·(F_lr − F_rr)) / ΣF: positive pulls to the left.
     *
     * @param array<string, float> $torqueNm by corner
     */
    public function pullIndex(array $torqueNm): float
    {
        $f = $this->stop($torqueNm)['forces'];

        return ($f['lf'] - $f['rf'] + self::REAR_PULL * ($f['lr'] - $f['rr'])) / max(1.0, array_sum($f));
    }

    /** @return array<string, float> load on each wheel at a deceleration, N */
    private function loads(float $decel): array
    {
        $weight = $this->layout->body->massKg * self::GRAVITY;
        $shift = $this->layout->body->heightToWheelbase * $this->layout->body->massKg * $decel;
        $loads = [];
        foreach (Corner::cases() as $corner) {
            $loads[$corner->value] = $corner->isFront()
                ? ($this->layout->body->frontShare * $weight + $shift) / 2.0
                : ((1.0 - $this->layout->body->frontShare) * $weight - $shift) / 2.0;
        }

        return $loads;
    }
}
