<?php

declare(strict_types=1);

namespace App\Job;

use App\Account\User;
use App\Input\Again;
use App\Input\InvalidInput;
use App\Vehicle\Vehicle;
use App\Vehicle\VehicleKind;
use App\Vehicle\VehicleRepository;
use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\InvalidData;
use Rodrel\Core\Log\Payload\IntakePayload;
use Rodrel\Core\Vehicle\Composer;
use Symfony\Component\HttpFoundation\InputBag;
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
        private readonly Catalogue $catalogue,
        private readonly IntakeForm $intake,
        private readonly VehicleRepository $vehicles,
        private readonly FittedBefore $before,
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
        $brakes = [] !== $kind->parts
            ? ['own_parts' => 'yes'] + $kind->parts
            : (array) ($this->catalogue->presets[$kind->preset]['questions'] ?? []);
        $rear = $brakes['rear'] ?? '';
        if (\in_array($rear, ['built-in', 'electric'], true)) {
            $brakes = ['rear' => 'disc', 'rear_parking' => $rear] + $brakes;
        }

        $parts = $this->before->rows($vehicle, $this->intake->choices()['places']);
        $brakes += [] === $parts ? [] : ['parts' => $parts];

        return ['unit' => $kind->unit, 'anti_lock' => true === ($brakes['anti_lock'] ?? null) ? 'yes' : 'no'] + $brakes;
    }

    #[Route('/jobs/new', name: 'job_open', methods: ['POST'], priority: 2)]
    #[IsCsrfTokenValid('submit', '_token')]
    public function open(Request $request, OpenJob $openJob, #[CurrentUser] User $user): Response
    {
        $form = $request->request;
        try {
            $unit = trim($form->getString('unit'));
            $unit = '' !== $unit && mb_strlen($unit) <= 120 ? $unit : throw InvalidInput::because('input.unit');
            [$preset, $parts] = $this->vehicle($form);
            $id = Uuid::isValid($form->getString('job')) ? Uuid::fromString($form->getString('job')) : Uuid::v7();
            $entry = Uuid::isValid($form->getString('entry'))
                ? Uuid::fromString($form->getString('entry'))
                : Uuid::v7();
            $kind = new VehicleKind($unit, $preset, $parts);
            $job = $openJob($user, $id, $entry, $kind, $this->intake->read($form));

            return $this->redirectToRoute('job_bench', ['id' => $job->id()], Response::HTTP_SEE_OTHER);
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
                form: Again::of($typed, ['parts']),
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

    /**
     * The preset that fits the answers; where none does, the vehicle is composed from its parts.
     *
     * @param InputBag<bool|float|int|string> $form
     *
     * @return array{string, array<string, mixed>} preset, parts
     */
    private function vehicle(InputBag $form): array
    {
        $rear = $form->getString('rear');
        $parts = [
            'split' => $form->getString('split'),
            'front' => $form->getString('front') ?: 'disc',
            'rear' => 'disc' === $rear ? ($form->getString('rear_parking') ?: 'disc') : $rear,
            'assist' => $form->getString('assist', 'engine-vacuum'),
            'anti_lock' => 'yes' === $form->getString('anti_lock', 'yes'),
            'solid_axle' => $form->getBoolean('solid_axle'),
            'rear_valve' => $form->getBoolean('rear_valve'),
        ];
        $parts = match ($parts['assist']) { // what is not asked of these kinds
            'compressed-air' => ['split' => 'front-rear', 'solid_axle' => true] + $parts,
            'oil-immersed' => ['split' => 'front-rear', 'front' => 'disc', 'rear' => 'disc', 'anti_lock' => false,
                'solid_axle' => true] + $parts,
            default => $parts,
        };
        foreach ($this->catalogue->presets as $id => $preset) {
            if ($parts == ($preset['parts'] ?? null)) {
                return [$id, []];
            }
        }
        $plain
            = 'yes' !== $form->getString('own_parts')
            && 'disc' === $parts['front']
            && !$parts['solid_axle']
            && !$parts['rear_valve'];
        if ($plain) {
            $given = [
                'split' => $parts['split'],
                'rear' => $rear,
                'anti_lock' => $parts['anti_lock'],
                'assist' => $parts['assist'],
            ];
            foreach ($this->catalogue->presets as $id => $preset) {
                if (($preset['questions'] ?? null) === $given) {
                    return [$id, []];
                }
            }
        }
        try {
            Composer::compose($parts);
        } catch (InvalidData $impossible) {
            throw InvalidInput::because('input.'.basename($impossible->path));
        }

        return ['composed', $parts];
    }
}
