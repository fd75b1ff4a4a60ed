<?php

declare(strict_types=1);

namespace App\History;

use App\Vehicle\Vehicle;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** A vehicle over all its jobs, its label for the sun visor, and what is open on every vehicle. */
final class VehicleController extends AbstractController
{
    #[Route('/vehicles/{id:vehicle}', name: 'vehicle', methods: ['GET'])]
    public function show(Vehicle $vehicle, VehicleView $view): Response
    {
        return $this->render('history/vehicle.html.twig', get_object_vars($view->of($vehicle)));
    }

    #[Route('/vehicles/{id:vehicle}/label', name: 'vehicle_label', methods: ['GET'])]
    public function label(Vehicle $vehicle, UnitLabel $label): Response
    {
        return $this->render('history/label.html.twig', [
            'id' => (string) $vehicle->id(),
            'unit' => $vehicle->kind()->unit,
            'address' => $label->address($vehicle->id()),
            'code' => $label->svg($vehicle->id()),
        ]);
    }

    #[Route('/due', name: 'due', methods: ['GET'])]
    public function due(DueView $view): Response
    {
        return $this->render('history/due.html.twig', ['items' => $view->all()]);
    }
}
