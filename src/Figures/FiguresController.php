<?php

declare(strict_types=1);

namespace App\Figures;

use App\Job\FiguresForm;
use App\Job\Job;
use App\Job\LoadedJob;
use App\Job\RendersJob;
use App\Text\Units;
use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Quantity\Quantity;
use Rodrel\Core\Vehicle\Composer;
use Rodrel\Core\Vocabulary\Corner;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** The vehicle's own figures, typed from its service data: they go before every typical one. */
final class FiguresController extends RendersJob
{
    public function __construct(private readonly Catalogue $catalogue, private readonly Units $units)
    {
    }

    #[Route('/jobs/{id:job}/vehicle', name: 'job_vehicle', methods: ['GET'])]
    public function __invoke(Job $job): Response
    {
        $loaded = ($this->readJob)($job);

        return $this->page('vehicle/vehicle.html.twig', $loaded, 'intake', new FiguresPage(
            preset: $this->say->text('preset.'.$job->preset()),
            odd: array_map(fn (string $law): string => $this->say->ui('vehicle.odd.'.$law), $loaded->odd()),
            figures: array_map(
                fn (string $name): array => $this->figure($loaded, $name),
                array_keys(Composer::FIGURES),
            ),
            torques: $this->torques($loaded),
            torqueUnit: $this->units->of(Quantity::Torque)->value,
        ));
    }

    /** @return array<string, mixed> */
    private function figure(LoadedJob $loaded, string $name): array
    {
        [$quantity, $unit] = FiguresForm::unitOf($name) ?? [null, null];
        $now = $this->now($loaded, $name);
        $scale = FiguresForm::scaleOf($name);

        return [
            'name' => $name,
            'label' => $this->say->ui('vehicle.'.str_replace('_', '-', $name)),
            'unit' => null === $quantity ? '' : $this->units->of($quantity, $unit)->value,
            'now' => null === $now
                    ? null
                    : (null === $quantity
                        ? (string) round($now, 2)
                        : $this->units->figure($now * $scale, $quantity, $unit)),
            'own' => isset($loaded->state->story->figures()[$name]),
        ];
    }

    private function now(LoadedJob $loaded, string $name): ?float
    {
        $layout = $loaded->layout;
        $front = $layout->brake(Corner::LeftFront);
        $rear = $layout->brake(Corner::LeftRear);
        $body = $layout->body;

        return match ($name) {
            'master_bore_mm' => $layout->masterBoreMm,
            'front_bore_mm' => $front->cylinder->boreMm,
            'rear_bore_mm' => $rear->cylinder->boreMm,
            'front_radius_m' => $front->lining->radiusM,
            'rear_radius_m' => $rear->lining->radiusM,
            'rotor_front_kg' => $front->lining->rotorKg,
            'rotor_rear_kg' => $rear->lining->rotorKg,
            'pedal_ratio' => $layout->pedal->ratio,
            'mass_kg' => $body->massKg,
            'front_axle_kg' => $body->frontShare * $body->massKg,
            'rear_axle_kg' => (1.0 - $body->frontShare) * $body->massKg,
            'tyre_radius_m' => $body->tyreRadiusM,
            'vacuum_kpa' => $layout->hasAssist() ? $layout->assist->vacuumKpa : null,
            'reservoir_ml' => $layout->pipework->reservoirMl ?? $this->catalogue->bleeding->reservoirMl,
            default => $loaded->state->story->figures()[$name] ?? null,
        };
    }

    /** @return list<array{step: string, label: string, own: string|null, low: string, high: string}> */
    private function torques(LoadedJob $loaded): array
    {
        $own = [];
        foreach ($loaded->state->story->torques() as $step => $torque) {
            $own[$step] = $this->units->figure($torque, Quantity::Torque);
        }
        $rows = [];
        foreach ($this->catalogue->repairs->procedures as $procedure) {
            foreach ($procedure->steps as $step) {
                if (Quantity::Torque === $step->figure?->measures) {
                    $rows[$step->id] ??= [
                        'step' => $step->id,
                        'label' => $this->say->text('step.'.$step->id),
                        'own' => $own[$step->id] ?? null,
                        'low' => $this->units->figure($step->figure->typical[0], Quantity::Torque),
                        'high' => $this->units->figure($step->figure->typical[1], Quantity::Torque),
                    ];
                }
            }
        }

        return array_values($rows);
    }
}
