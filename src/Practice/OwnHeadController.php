<?php

declare(strict_types=1);

namespace App\Practice;

use App\Job\Job;
use App\Job\LoadedJob;
use App\Job\RendersJob;
use App\Shop\ShopSettings;
use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Job\PathTaken;
use Rodrel\Core\Job\Stage;
use Rodrel\Core\Log\Payload\RepairedPayload;
use Rodrel\Core\Vocabulary\GroupAt;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** A practice job without advice: every check can be chosen, minutes and money run, any repair can be signed. */
final class OwnHeadController extends RendersJob
{
    public function __construct(private readonly Catalogue $catalogue, private readonly ShopSettings $shop)
    {
    }

    #[Route('/jobs/{id:job}/own-head', name: 'practice_own', methods: ['GET'])]
    public function __invoke(Job $job): Response
    {
        $loaded = ($this->readJob)($job);
        if (!$loaded->keepsSilent()) {
            return $this->redirectToRoute('job_bench', ['id' => $job->id()], Response::HTTP_SEE_OTHER);
        }
        $minutes = PathTaken::minutesSoFar($loaded->state, $this->shop->isolation()->times);
        $repaired = $loaded->state->story->entriesOf(RepairedPayload::class);

        return $this->page('practice/own_head.html.twig', $loaded, 'bench', new OwnHeadPage(
            stations: $this->stations($loaded),
            read: $this->read($loaded),
            repairs: $this->repairs($loaded),
            minutes: (int) round($minutes),
            cents: $minutes * $this->shop->isolation()->labour->rateCentsPerMinute,
            repaired: array_map(fn ($entry): string => $this->say->group($entry->payload->group), $repaired),
            atBench: Stage::Bench === $loaded->state->stage,
        ));
    }

    /** @return array<string, list<array{id: string, name: string, minutes: int, made: bool}>> by station */
    private function stations(LoadedJob $loaded): array
    {
        $stations = array_fill_keys(array_keys($this->catalogue->stations), []);
        foreach ($this->catalogue->checks as $check) {
            foreach ($check->role->asked || $check->role->proof ? [] : $check->everywhere($loaded->layout) as $at) {
                $stations[$check->station][] = [
                    'id' => (string) $at,
                    'name' => $this->say->check($at),
                    'minutes' => (int) ceil($check->demand->minutes),
                    'made' => $loaded->state->situation->made($at),
                ];
            }
        }

        return array_filter($stations);
    }

    /** @return list<array{name: string, said: string}> the newest first */
    private function read(LoadedJob $loaded): array
    {
        $read = [];
        foreach ($loaded->state->situation->readings as $reading) {
            $read[] = [
                'name' => $this->say->check($reading->check),
                'said' => $this->say->outcome($reading->check, $reading->outcomes),
            ];
        }

        return array_reverse($read);
    }

    /** @return array<string, string> what can be signed */
    private function repairs(LoadedJob $loaded): array
    {
        $repairs = [];
        foreach (array_keys($this->catalogue->faults->repairsIn($loaded->layout)) as $group) {
            $repairs[(string) $group] = $this->say->work(GroupAt::parse((string) $group));
        }
        asort($repairs);

        return $repairs;
    }
}
