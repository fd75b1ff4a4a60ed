<?php

declare(strict_types=1);

namespace App\Heat;

use App\Job\Job;
use App\Job\LoadedJob;
use App\Job\RendersJob;
use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Vocabulary\Place;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** The heat rounds of a job: four pads around the plan, before and after on the same drive. */
final class HeatController extends RendersJob
{
    public function __construct(private readonly Catalogue $catalogue)
    {
    }

    #[Route('/jobs/{id:job}/heat', name: 'job_heat', methods: ['GET'])]
    public function __invoke(Job $job, HeatView $view): Response
    {
        $loaded = ($this->readJob)($job);

        return $this->page('heat/heat.html.twig', $loaded, 'bench', new HeatRoundsPage(
            rounds: array_reverse($view->rounds($loaded)),
            drives: $this->drives($loaded),
        ));
    }

    /**
     * The drives whose heat can be taken now: what has just been driven in first.
     *
     * @return list<array{id: string, name: string}>
     */
    private function drives(LoadedJob $loaded): array
    {
        $drives = [];
        foreach ($this->catalogue->checks as $check) {
            $onArrival = \in_array('arrival', $check->demand->gates, true);
            if ($check->isHeat() && (!$onArrival || $loaded->state->situation->car->drivenIn)) {
                $at = $check->at(Place::vehicle());
                $drives[] = ['id' => (string) $at, 'name' => $this->say->check($at)];
            }
        }

        return $drives;
    }
}
