<?php

declare(strict_types=1);

namespace App\Instrument;

use App\Account\User;
use App\Job\Job;
use App\Job\OpenJob;
use App\Job\RendersJob;
use App\Prediction\HiddenVehicles;
use App\Vehicle\VehicleKind;
use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Log\Payload\Arrival;
use Rodrel\Core\Log\Payload\IntakePayload;
use Rodrel\Core\Vocabulary\CheckAt;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsCsrfTokenValid;
use Symfony\Component\Uid\Uuid;

/** A job to play with: an invented vehicle with a fault that only it knows. */
final class PracticeController extends RendersJob
{
    private const MOST = 9999;
    private const TRIES = 40;

    public function __construct(
        private readonly PracticeVehicle $practice,
        private readonly HiddenVehicles $vehicles,
        private readonly OpenJob $open,
        private readonly Catalogue $catalogue,
    ) {
    }

    #[Route('/practice', name: 'practice_open', methods: ['POST'])]
    #[IsCsrfTokenValid('submit', '_token')]
    public function open(Request $request, #[CurrentUser] User $user): Response
    {
        $entry = $request->request->getString('entry');
        $id = Uuid::isValid($entry) ? Uuid::fromString($entry) : Uuid::v7();
        // the same form sent twice is the same vehicle, and it has a driver who complains
        $first = abs(crc32($id->toRfc4122())) % self::MOST;
        $presets = array_keys($this->catalogue->presets);
        for ($n = 0; $n < self::TRIES; ++$n) {
            $number = 1 + ($first + $n) % self::MOST;
            $preset = $presets[$number % \count($presets)];
            $vehicle = $this->vehicles->drawn($preset, $number)[0] ?? null;
            $complaint = (string) ($vehicle?->answer('complaint@vehicle')[''] ?? '');
            if (null !== $vehicle && !\in_array($complaint, ['', 'none'], true)) {
                $when = (string) ($vehicle->answer('pattern@vehicle')[''] ?? '');
                $intake = new IntakePayload([$complaint], $when, new Arrival(true), [], '');
                $kind = new VehicleKind(Job::PRACTICE.' '.$number, $preset);
                $job = ($this->open)($user, Uuid::v5($id, 'practice'), $id, $kind, $intake);

                return $this->redirectToRoute('job_bench', ['id' => $job->id()], Response::HTTP_SEE_OTHER);
            }
        }

        // it says that they are being computed
        return $this->redirectToRoute('instrument_simulated', [], Response::HTTP_SEE_OTHER);
    }

    #[Route('/jobs/{id:job}/practice/{check}', name: 'practice_answer', methods: ['GET'])]
    public function answer(Job $job, string $check): JsonResponse
    {
        $at = CheckAt::tryParse($check) ?? throw $this->createNotFoundException();
        if (!isset($this->catalogue->checks->all[$at->id])) {
            throw $this->createNotFoundException();
        }
        $answer = $this->practice->answer(($this->readJob)($job), $at) ?? throw $this->createNotFoundException();

        return new JsonResponse($answer);
    }

    #[Route('/jobs/{id:job}/practice', name: 'practice_has', methods: ['GET'])]
    public function has(Job $job): Response
    {
        $loaded = ($this->readJob)($job);
        $has = $this->practice->has($loaded) ?? throw $this->createNotFoundException();

        return $this->page('job/practice.html.twig', $loaded, 'bench', new PracticePage(has: $has));
    }
}
