<?php

declare(strict_types=1);

namespace App\Heat;

use App\Job\Job;
use App\Job\RendersJob;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** The heat rounds of a job: four pads around the plan, before and after on the same drive. */
final class HeatController extends RendersJob
{
    #[Route('/jobs/{id:job}/heat', name: 'job_heat', methods: ['GET'])]
    public function __invoke(Job $job, HeatView $view): Response
    {
        $loaded = ($this->readJob)($job);

        return $this->page('heat/heat.html.twig', $loaded, 'bench', [
            'rounds' => array_reverse($view->rounds($loaded)),
            'road' => $loaded->state->road()->isOpen(),
            'drivenIn' => $loaded->state->situation->drivenIn,
        ]);
    }
}
