<?php

declare(strict_types=1);

namespace App\Job;

use App\Account\User;
use App\Input\Again;
use App\Input\InvalidInput;
use App\Vehicle\VehicleKind;
use App\Vehicle\VehicleRepository;
use Doctrine\ORM\EntityManagerInterface;
use Rodrel\Core\Log\Payload\ClosedPayload;
use Rodrel\Core\Log\Payload\MendedPayload;
use Rodrel\Core\Log\Refused;
use Symfony\Component\Clock\ClockInterface;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsCsrfTokenValid;
use Symfony\Component\Uid\Uuid;

/** What was put down wrongly when a job was opened: which vehicle, which brakes; or that it is none of ours. */
final class MendController extends RendersJob
{
    public function __construct(
        private readonly BrakesForm $brakes,
        private readonly VehicleRepository $vehicles,
        private readonly AppendEntry $append,
        private readonly Projector $projector,
        private readonly EntityManagerInterface $entities,
        private readonly ClockInterface $clock,
        private readonly JobRepository $jobs,
    ) {
    }

    #[Route('/jobs/{id:job}/mend', name: 'job_mend', methods: ['GET'])]
    public function show(Job $job): Response
    {
        return $this->sheet($job, $this->brakes->of($this->kind($job)) + ['unit' => $job->unit()], []);
    }

    #[Route('/jobs/{id:job}/mend', name: 'job_mend_keep', methods: ['POST'])]
    #[IsCsrfTokenValid('submit', '_token')]
    public function keep(Job $job, Request $request, #[CurrentUser] User $user): Response
    {
        $form = $request->request;
        try {
            $unit = trim($form->getString('unit'));
            $unit = '' !== $unit && mb_strlen($unit) <= 120 ? $unit : throw InvalidInput::because('input.unit');
            $kind = new VehicleKind($unit, ...$this->brakes->read($form));
            $entry = $form->getString('entry');
            $this->mend($job, $user, Uuid::isValid($entry) ? Uuid::fromString($entry) : Uuid::v7(), $kind);
        } catch (InvalidInput $wrong) {
            return $this->sheet($job, $form->all(), [$this->say->ui($wrong->key, $wrong->parameters)]);
        } catch (Refused $refused) {
            $why = array_map(fn (string $reason): string => $this->say->ui('gate.'.$reason), $refused->reasons);

            return $this->sheet($job, $form->all(), $why);
        }

        return $this->redirectToRoute('job_bench', ['id' => $job->id()], Response::HTTP_SEE_OTHER);
    }

    private function mend(Job $job, User $user, Uuid $id, VehicleKind $kind): void
    {
        $now = $this->kind($job);
        $brakes = $now->preset !== $kind->preset || $now->parts != $kind->parts;
        if (!$brakes && $now->unit === $kind->unit) {
            throw InvalidInput::because('input.nothing-mended');
        }
        $this->entities->wrapInTransaction(function () use ($job, $user, $id, $kind, $now, $brakes): void {
            ($this->append)($job, $user, $id, new MendedPayload($now->unit, $kind->unit, $kind->preset, $brakes));
            $job->mend($this->vehicles->of($kind, $this->clock->now()));
            $this->entities->flush();
            $this->projector->wants(($this->readJob)($job));
        });
    }

    private function kind(Job $job): VehicleKind
    {
        return new VehicleKind($job->unit(), $job->preset(), $job->parts());
    }

    /**
     * @param array<string, mixed> $form
     * @param list<string> $wrong
     */
    private function sheet(Job $job, array $form, array $wrong): Response
    {
        $page = new MendPage(
            form: Again::of($form),
            wrong: $wrong,
            whys: ClosedPayload::WHYS,
            beside: array_map(
                fn (Job $other): array => ['id' => $other->id(), 'opened' => $other->openedAt()]
                    + ['said' => $this->say->complaint(($this->readJob)($other)->state->story->intake())],
                $this->jobs->beside($job),
            ),
        );
        $response = $this->page('job/mend.html.twig', ($this->readJob)($job), 'intake', $page);

        return [] === $wrong ? $response : $response->setStatusCode(Response::HTTP_UNPROCESSABLE_ENTITY);
    }
}
