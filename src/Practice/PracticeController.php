<?php

declare(strict_types=1);

namespace App\Practice;

use App\Account\User;
use App\Job\Job;
use App\Job\OpenJob;
use App\Job\Practices;
use App\Job\RendersJob;
use App\Prediction\HiddenVehicles;
use App\Vehicle\VehicleKind;
use Doctrine\ORM\EntityManagerInterface;
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
    /** So many vehicles there are. */
    private const MOST = 2_000_000_000;
    private const TRIES = 40;

    public function __construct(
        private readonly PracticeVehicle $practice,
        private readonly HiddenVehicles $vehicles,
        private readonly OpenJob $open,
        private readonly Catalogue $catalogue,
        private readonly Practices $practices,
        private readonly EntityManagerInterface $entities,
    ) {
    }

    #[Route('/practice', name: 'practice', methods: ['GET'])]
    public function mine(Practised $practised, #[CurrentUser] User $user): Response
    {
        return $this->render('practice/practised.html.twig', get_object_vars($practised->of($user)));
    }

    #[Route('/practice', name: 'practice_open', methods: ['POST'])]
    #[IsCsrfTokenValid('submit', '_token')]
    public function open(Request $request, #[CurrentUser] User $user): Response
    {
        $form = $request->request;
        $entry = $form->getString('entry');
        $id = Uuid::isValid($entry) ? Uuid::fromString($entry) : Uuid::v7();
        $job = Uuid::v5($id, 'practice');
        $wanted = $form->getString('preset');
        $again = Uuid::isValid($form->getString('again')) ? Uuid::fromString($form->getString('again')) : null;
        // the same form sent twice is the same vehicle
        $known = $this->entities->find(Job::class, $job);
        $opened = $known ?? $this->drawn($user, [$job, $id], $again, $wanted, $form->getBoolean('own_head'));
        if (null === $opened) {
            return $this->redirectToRoute('instrument_simulated', [], Response::HTTP_SEE_OTHER);
        }

        return $this->redirectToRoute('job_bench', ['id' => $opened->id()], Response::HTTP_SEE_OTHER);
    }

    /**
     * One whose driver complains; null where it is still being computed what such vehicles show.
     *
     * @param array{Uuid, Uuid} $ids of the job and its first entry
     * @param Uuid|null $again the practice job whose vehicle it is to be
     * @param string $wanted the kind of vehicle; any where there is no such kind
     */
    private function drawn(User $user, array $ids, ?Uuid $again, string $wanted, bool $ownHead): ?Job
    {
        [$job, $entry] = $ids;
        $once = null === $again ? null : $this->entities->find(Job::class, $again);
        $seed = null === $once ? null : $this->practices->seed($once->id());
        $presets = array_keys($this->catalogue->presets);
        $presets = \in_array($wanted, $presets, true) ? [$wanted] : $presets;
        for ($n = 0; $n < self::TRIES; ++$n) {
            $number = $seed ?? random_int(1, self::MOST);
            $preset = null === $once || null === $seed ? $presets[$number % \count($presets)] : $once->preset();
            $vehicle = $this->vehicles->drawn($preset, $number)[0] ?? null;
            $complaint = (string) ($vehicle?->answer('complaint@vehicle')[''] ?? '');
            if (null !== $vehicle && !\in_array($complaint, ['', 'none'], true)) {
                $when = (string) ($vehicle->answer('pattern@vehicle')[''] ?? '');
                $intake = new IntakePayload([$complaint], $when, new Arrival(true), [], '');
                $kind = new VehicleKind(Job::PRACTICE.' '.(1 + $this->practices->howMany()), $preset);
                $this->practices->keep($job, $number, $ownHead);

                return ($this->open)($user, $job, $entry, $kind, $intake);
            }
        }

        return null;
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
}
