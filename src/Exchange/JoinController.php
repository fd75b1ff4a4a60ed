<?php

declare(strict_types=1);

namespace App\Exchange;

use App\Account\User;
use App\Input\InvalidInput;
use App\Input\Refusal;
use App\Job\Job;
use App\Job\RendersJob;
use Doctrine\ORM\EntityManagerInterface;
use Rodrel\Core\Log\Refused;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsCsrfTokenValid;
use Symfony\Component\Uid\Uuid;

/** Two jobs that were opened for one vehicle become one. */
final class JoinController extends RendersJob
{
    public function __construct(private readonly JoinJobs $join, private readonly EntityManagerInterface $entities)
    {
    }

    #[Route('/jobs/{id:job}/join', name: 'job_join', methods: ['POST'])]
    #[IsCsrfTokenValid('submit', '_token')]
    public function __invoke(Job $job, Request $request, #[CurrentUser] User $user): Response
    {
        $into = $request->request->getString('into');
        $into = Uuid::isValid($into) ? $this->entities->find(Job::class, Uuid::fromString($into)) : null;
        $entry = $request->request->getString('entry');
        $id = Uuid::isValid($entry) ? Uuid::fromString($entry) : Uuid::v7();
        try {
            $into ??= throw InvalidInput::because('input.join');
            $reason = $this->say->ui('join.reason', ['unit' => $into->unit()]);
            ($this->join)($job, $into, $user, $id, $reason);
        } catch (InvalidInput $wrong) {
            return $this->back($job, $request, [$this->say->ui($wrong->key, $wrong->parameters)]);
        } catch (Refused $refused) {
            $why = array_map(fn (string $reason): string => $this->say->ui('gate.'.$reason), $refused->reasons);

            return $this->back($job, $request, $why);
        }

        return $this->redirectToRoute('job_bench', ['id' => $into->id()], Response::HTTP_SEE_OTHER);
    }

    /** @param list<string> $sentences */
    private function back(Job $job, Request $request, array $sentences): Response
    {
        Refusal::note($request, $sentences);
        Refusal::carry($request, $sentences, '');

        return $this->redirectToRoute('job_mend', ['id' => $job->id()], Response::HTTP_SEE_OTHER);
    }
}
