<?php

declare(strict_types=1);

namespace App\Finding;

use App\Bench\SuspectView;
use App\Job\Job;
use App\Job\LoadedJob;
use App\Job\RendersJob;
use App\Shop\ShopSettings;
use Rodrel\Core\Catalogue;
use Rodrel\Core\Isolation\Belief;
use Rodrel\Core\Isolation\Costs;
use Rodrel\Core\Repair\PartOption;
use Rodrel\Core\Repair\Scope;
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
            'sentence' => $this->say->finding($group, $belief->leadingSuspect($group)),
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
            'scope' => $this->scope($loaded, $group, $pair = 'axle-pairs' === $this->shop->school('pair')),
            'pair' => $pair,
            'sides' => $this->catalogue->repair($group)->pair ? ['one' => $this->scope($loaded, $group, false)->baseCents, 'pair' => $this->scope($loaded, $group, true)->baseCents] : null,
            'options' => $this->options($group),
            'common' => $this->suspects->commonCauses($loaded->state),
            'rate' => $this->shop->isolation()->rateCentsPerMinute,
            'signed' => $signed,
        ]);
    }

    private function scope(LoadedJob $loaded, string $group, bool $pair): Scope
    {
        $settings = $this->shop->isolation();

        return Scope::of($this->catalogue->repair($group), explode('@', $group)[1], $loaded->state->readings(), $settings->rateCentsPerMinute, $settings->fluidCentsPerMl, $pair, str_starts_with($group, 'caliper@') && 'always' === $this->shop->school('hose_with_caliper') ? ['hose'] : []);
    }

    /** @return list<array<string, mixed>> cheapest first, coming back counted */
    private function options(string $group): array
    {
        $repair = $this->catalogue->repair($group);
        $rate = $this->shop->isolation()->rateCentsPerMinute;
        $options = array_map(fn (PartOption $o): array => ['kind' => $this->say->ui('option.'.$o->kind), 'parts' => $o->partsCents, 'core' => $o->coreCents, 'days' => (int) $o->leadDays, 'months' => (int) $o->warrantyMonths, 'back' => $o->returnChance, 'expected' => $o->expectedCents($repair->minutes, $rate), 'not' => null === $o->notIf ? null : $this->say->ui('option.not-'.$o->notIf)], array_values($repair->options));
        usort($options, static fn (array $a, array $b): int => $a['expected'] <=> $b['expected']);

        return $options;
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
