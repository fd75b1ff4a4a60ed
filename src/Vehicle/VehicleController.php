<?php

declare(strict_types=1);

namespace App\Vehicle;

use App\Job\Job;
use App\Job\LoadedJob;
use App\Job\RendersJob;
use App\Text\Units;
use Rodrel\Core\Catalogue;
use Rodrel\Core\Job\Kind;
use Rodrel\Core\Quantity\Quantity;
use Rodrel\Core\Quantity\Unit;
use Rodrel\Core\Vehicle\Composer;
use Rodrel\Core\Vehicle\Corner;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** The vehicle's own figures, typed from its service data: they go before every typical one. */
final class VehicleController extends RendersJob
{
    public function __construct(private readonly Catalogue $catalogue, private readonly Units $units)
    {
    }

    #[Route('/jobs/{id:job}/vehicle', name: 'job_vehicle', methods: ['GET'])]
    public function __invoke(Job $job): Response
    {
        $loaded = ($this->readJob)($job);

        return $this->page('vehicle/vehicle.html.twig', $loaded, 'intake', [
            'preset' => $this->say->text('preset.'.$job->preset()),
            'figures' => array_map(fn (string $name): array => $this->figure($loaded, $name), array_keys(Composer::FIGURES)),
            'torques' => $this->torques($loaded),
            'torqueUnit' => $this->units->of(Quantity::Torque)->value,
        ]);
    }

    /** @return array<string, mixed> */
    private function figure(LoadedJob $loaded, string $name): array
    {
        [$quantity, $unit] = match (true) {
            str_ends_with($name, '_mm'), str_ends_with($name, '_m') => [Quantity::Length, Unit::Millimetre],
            str_ends_with($name, '_kg') => [Quantity::Mass, Unit::Kilogram],
            str_ends_with($name, '_ml') => [Quantity::Volume, Unit::Millilitre],
            default => [null, null],
        };
        $now = $this->now($loaded, $name);
        $scale = str_ends_with($name, '_m') ? 1000.0 : 1.0;

        return [
            'name' => $name,
            'label' => $this->say->ui('vehicle.'.str_replace('_', '-', $name)),
            'unit' => null === $quantity ? '' : $this->units->of($quantity, $unit)->value,
            'now' => null === $now ? null : (null === $quantity ? (string) round($now, 2) : $this->units->figure($now * $scale, $quantity, $unit)),
            'own' => isset($loaded->state->story->figures()[$name]),
        ];
    }

    private function now(LoadedJob $loaded, string $name): ?float
    {
        $layout = $loaded->layout;
        $front = $layout->brake(Corner::LeftFront);
        $rear = $layout->brake(Corner::LeftRear);

        return match ($name) {
            'master_bore_mm' => $layout->masterBoreMm,
            'front_bore_mm' => $front->boreMm,
            'rear_bore_mm' => $rear->boreMm,
            'front_radius_m' => $front->radiusM,
            'rear_radius_m' => $rear->radiusM,
            'pedal_ratio' => $layout->pedalRatio,
            'mass_kg' => $layout->massKg,
            'tyre_radius_m' => $layout->tyreRadiusM,
            'reservoir_ml' => $layout->reservoirMl ?? $this->catalogue->bleeding->reservoirMl,
            default => $loaded->state->story->figures()[$name] ?? null,
        };
    }

    /** @return list<array{step: string, label: string, own: string|null, low: string, high: string}> */
    private function torques(LoadedJob $loaded): array
    {
        $own = [];
        foreach ($loaded->state->story->all(Kind::Figures) as $entry) {
            foreach ($entry->shape()->each('torques') as $step => $torque) {
                $own[$step] = $this->units->figure($torque->number('core'), Quantity::Torque);
            }
        }
        $rows = [];
        foreach ($this->catalogue->procedures as $procedure) {
            foreach ($procedure->steps as $step) {
                if (Quantity::Torque === $step->measures && null !== $step->typical) {
                    $rows[$step->id] ??= ['step' => $step->id, 'label' => $this->say->text('step.'.$step->id), 'own' => $own[$step->id] ?? null, 'low' => $this->units->figure($step->typical[0], Quantity::Torque), 'high' => $this->units->figure($step->typical[1], Quantity::Torque)];
                }
            }
        }

        return array_values($rows);
    }
}
