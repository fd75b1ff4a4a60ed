<?php

declare(strict_types=1);

namespace App\Job;

use App\Account\OwnWork;
use App\Account\User;
use App\Input\Again;
use App\Input\InvalidInput;
use App\Vehicle\Vehicle;
use App\Vehicle\VehicleKind;
use App\Vehicle\VehicleRepository;
use Rodrel\Core\Log\Payload\IntakePayload;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsCsrfTokenValid;
use Symfony\Component\Uid\Uuid;

/** Listening: who, what, where, when, and what was fitted lately. */
final class IntakeController extends RendersJob
{
    public function __construct(
        private readonly IntakeForm $intake,
        private readonly VehicleRepository $vehicles,
        private readonly FittedBefore $before,
        private readonly BrakesForm $brakes,
    ) {
    }

    #[Route('/jobs/new', name: 'job_new', methods: ['GET'], priority: 2)]
    public function blank(Request $request): Response
    {
        $known = $request->query->getString('vehicle');
        $vehicle = Uuid::isValid($known) ? $this->vehicles->find(Uuid::fromString($known)) : null;

        return $this->form(null === $vehicle ? [] : $this->known($vehicle), null);
    }

    /**
     * The form of a vehicle that the shop knows, with the brakes it had last time.
     *
     * @return array<string, mixed>
     */
    private function known(Vehicle $vehicle): array
    {
        $kind = $vehicle->kind();
        $brakes = $this->brakes->of($kind);
        $parts = $this->before->rows($vehicle, $this->intake->choices()['places']);
        $linings = $this->before->linings($vehicle);
        $brakes += ([] === $parts ? [] : ['parts' => $parts]) + ([] === $linings ? [] : ['linings' => $linings]);

        return ['unit' => $kind->unit] + $brakes;
    }

    #[Route('/jobs/new', name: 'job_open', methods: ['POST'], priority: 2)]
    #[IsCsrfTokenValid('submit', '_token')]
    public function open(Request $request, OpenJob $openJob, OwnWork $own, #[CurrentUser] User $user): Response
    {
        $form = $request->request;
        try {
            $own->check($form->getString('by'), $user);
            $unit = trim($form->getString('unit'));
            $unit = '' !== $unit && mb_strlen($unit) <= 120 ? $unit : throw InvalidInput::because('input.unit');
            [$preset, $parts] = $this->brakes->read($form);
            $id = Uuid::isValid($form->getString('job')) ? Uuid::fromString($form->getString('job')) : Uuid::v7();
            $entry = Uuid::isValid($form->getString('entry'))
                ? Uuid::fromString($form->getString('entry'))
                : Uuid::v7();
            $kind = new VehicleKind($unit, $preset, $parts);
            $job = $openJob($user, $id, $entry, $kind, $this->intake->read($form));

            // what is looked at first is a round: it opens at once
            $route = null === ($this->readJob)($job)->walk() ? 'job_bench' : 'job_round';

            return $this->redirectToRoute($route, ['id' => $job->id()], Response::HTTP_SEE_OTHER);
        } catch (InvalidInput $wrong) {
            return $this->form($form->all(), $this->say->ui($wrong->key, $wrong->parameters));
        }
    }

    #[Route('/jobs/{id:job}/intake', name: 'job_intake', methods: ['GET'])]
    public function show(Job $job): Response
    {
        $loaded = ($this->readJob)($job);
        $intake = $loaded->state->story->intake();

        return $this->page('job/intake.html.twig', $loaded, 'intake', new IntakePage(
            intake: $intake,
            said: $this->say->complaint($intake),
            form: null === $intake ? [] : $this->typed($intake),
            choices: $this->intake->choices(),
        ));
    }

    /** @param array<string, mixed> $typed */
    private function form(array $typed, ?string $error): Response
    {
        return $this->render(
            'job/new.html.twig',
            get_object_vars(new NewJobPage(
                form: Again::of($typed, ['parts', 'linings']),
                error: $error,
                choices: $this->intake->choices(),
                known: [] === $typed ? $this->vehicles->latest() : [],
            )),
            new Response('', null === $error ? 200 : 422),
        );
    }

    /** @return array<string, mixed> the form as it was filled in */
    private function typed(IntakePayload $intake): array
    {
        $else = [];
        foreach (IntakeForm::MORE as $n => $more) {
            foreach ($this->intake->tilesOf($intake->complaints[$n + 1] ?? '') as $tile => $value) {
                $else[$tile.$more] = $value;
            }
            $else['pattern'.$more] = $intake->patternsElse[$n] ?? '';
        }
        $spent = $intake->spentCents > 0 ? ['spent' => \sprintf('%.2f', $intake->spentCents / 100)] : [];

        return $this->intake->tilesOf($intake->complaints[0] ?? '') + $else + $spent + $intake->write();
    }
}
