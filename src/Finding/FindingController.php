<?php

declare(strict_types=1);

namespace App\Finding;

use App\Bench\SuspectView;
use App\Job\Job;
use App\Job\RendersJob;
use App\Shop\ShopSettings;
use Rodrel\Core\Catalogue;
use Rodrel\Core\Isolation\Belief;
use Rodrel\Core\Isolation\Costs;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** The sentence to defend: evidence for and against, what else it could be, repair now against one more check. */
final class FindingController extends RendersJob
{
    public function __construct(private readonly SuspectView $suspects, private readonly ShopSettings $shop, private readonly Catalogue $catalogue)
    {
    }

    #[Route('/jobs/{id:job}/finding', name: 'job_finding', methods: ['GET'])]
    public function __invoke(Job $job, Request $request): Response
    {
        $loaded = ($this->readJob)($job);
        $belief = $loaded->state->belief;
        $signed = $loaded->state->story->finding();
        $rows = $this->suspects->of($loaded->state);
        $group = $request->query->getString('group', null !== $signed ? $signed->shape()->text('group') : (string) ($rows[0]['group'] ?? ''));
        $chosen = null;
        foreach ($rows as $row) {
            $chosen = $row['group'] === $group ? $row : $chosen;
        }
        if (null === $belief || null === $chosen) {
            return $this->page('finding/waiting.html.twig', $loaded, 'finding', []);
        }
        $verdict = $loaded->state->verdict();
        $costs = Costs::of($belief->field, $this->shop->isolation());
        $masses = [];
        foreach ($belief->field->groups as $name) {
            $masses[] = $belief->group($name);
        }
        $masses[] = $belief->second;

        return $this->page('finding/finding.html.twig', $loaded, 'finding', [
            'sentence' => $this->say->finding($group),
            'do' => $this->say->text('repair.'.explode('@', $group)[0].'.do'),
            'chosen' => $chosen,
            'spoils' => implode(', ', array_map(fn (string $part): string => $this->say->text('part.'.$part), $this->spoiled($belief, $group))),
            'leads' => $rows[0]['group'] === $group,
            'rows' => $rows,
            'second' => $belief->second,
            'confirmed' => $verdict->confirmed ?? false,
            'contradiction' => null !== $verdict?->contradiction,
            'next' => $verdict->next ?? $verdict->others[0] ?? null,
            'nextName' => null === ($p = $verdict->next ?? $verdict->others[0] ?? null) ? null : $this->say->check($p->id()),
            'cost' => Costs::ofGroup($belief->field, $this->shop->isolation(), $group),
            'expected' => $costs->expected($masses),
            'truth' => $costs->ifTruthWereKnown($masses),
            'repair' => $this->catalogue->repair($group),
            'rate' => $this->shop->isolation()->rateCentsPerMinute,
            'signed' => $signed,
        ]);
    }

    /** @return list<string> parts that the believed faults of a group tend to spoil */
    private function spoiled(Belief $belief, string $group): array
    {
        $parts = [];
        foreach ($belief->field->particles as $i => $particle) {
            if ($particle->group() === $group && $belief->posterior[$i] > 0.01) {
                $parts = [...$parts, ...$particle->fault->spoils];
            }
        }

        return array_values(array_unique($parts));
    }
}
