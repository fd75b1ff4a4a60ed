<?php

declare(strict_types=1);

namespace App\Inboard;

use App\Job\Job;
use App\Job\LoadedJob;
use App\Job\RendersJob;
use Rodrel\Core\Vehicle\Reach;
use Rodrel\Core\Vocabulary\Corner;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** What is measured between pedal and wheels, drawn: held pedal, ladder of joints, gauges, vacuum, reservoir. */
final class InboardController extends RendersJob
{
    #[Route('/jobs/{id:job}/pedal/{hold<firm|light|again|off>?firm}', name: 'job_pedal', methods: ['GET'])]
    public function pedal(Job $job, string $hold, PedalLog $log): Response
    {
        $loaded = $this->hydraulic($job);

        return $this->page('inboard/pedal_log.html.twig', $loaded, 'bench', $log->of($loaded, $hold));
    }

    #[Route('/jobs/{id:job}/trace/{corner<lf|rf|lr|rr>?lf}', name: 'job_trace', methods: ['GET'])]
    public function trace(Job $job, string $corner, TraceBack $trace): Response
    {
        $loaded = $this->hydraulic($job);

        $page = $trace->of($loaded, Corner::from($corner));

        return $this->page('inboard/trace_back.html.twig', $loaded, 'bench', $page);
    }

    #[Route('/jobs/{id:job}/gauge', name: 'job_gauge', methods: ['GET'])]
    public function gauge(Job $job, GaugeView $view): Response
    {
        $loaded = $this->hydraulic($job);

        return $this->page('inboard/gauge.html.twig', $loaded, 'bench', $view->of($loaded));
    }

    #[Route('/jobs/{id:job}/vacuum', name: 'job_vacuum', methods: ['GET'])]
    public function vacuum(Job $job, VacuumView $view): Response
    {
        $loaded = ($this->readJob)($job);

        return Reach::Foot === $loaded->layout->reach() && $loaded->layout->hasAssist()
            ? $this->page('inboard/vacuum.html.twig', $loaded, 'bench', $view->of($loaded))
            : throw $this->createNotFoundException();
    }

    #[Route('/jobs/{id:job}/stored', name: 'job_stored', methods: ['GET'])]
    public function stored(Job $job, StoredView $view): Response
    {
        $loaded = ($this->readJob)($job);

        return \in_array($loaded->layout->reach(), [Reach::Unit, Reach::WetDiscs], true)
            ? $this->page('inboard/stored.html.twig', $loaded, 'bench', $view->of($loaded))
            : throw $this->createNotFoundException();
    }

    #[Route('/jobs/{id:job}/fluid', name: 'job_fluid', methods: ['GET'])]
    public function fluid(Job $job, FluidView $view): Response
    {
        $loaded = $this->hydraulic($job);

        return $this->page('inboard/fluid.html.twig', $loaded, 'bench', $view->of($loaded));
    }

    /** What is drawn here is fluid: other vehicles have no such page. */
    private function hydraulic(Job $job): LoadedJob
    {
        $loaded = ($this->readJob)($job);

        return $loaded->layout->reach()->isHydraulic() ? $loaded : throw $this->createNotFoundException();
    }
}
