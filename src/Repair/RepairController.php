<?php

declare(strict_types=1);

namespace App\Repair;

use App\Account\UserRepository;
use App\Job\Job;
use App\Job\LoadedJob;
use App\Job\RendersJob;
use App\Photo\Photos;
use App\Shop\ShopSettings;
use App\Text\Units;
use Rodrel\Core\Catalogue;
use Rodrel\Core\Job\Entry;
use Rodrel\Core\Job\Guard;
use Rodrel\Core\Job\JobState;
use Rodrel\Core\Job\Kind;
use Rodrel\Core\Quantity\Quantity;
use Rodrel\Core\Repair\Procedure;
use Rodrel\Core\Repair\Step;
use Symfony\Component\Clock\ClockInterface;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** The repair sheet: what lies ready, then the steps with their cautions, figures and second looks. */
final class RepairController extends RendersJob
{
    /** A torque wrench misses its figure by up to this much (general workshop practice). */
    private const TORQUE_MAY_MISS = 0.05;

    public function __construct(private readonly Catalogue $catalogue, private readonly ClockInterface $clock, private readonly UserRepository $users, private readonly Units $units, private readonly Photos $photos, private readonly ShopSettings $shop)
    {
    }

    #[Route('/jobs/{id:job}/repair', name: 'job_repair', methods: ['GET'])]
    public function __invoke(Job $job, Request $request): Response
    {
        $loaded = ($this->readJob)($job);
        $group = $loaded->state->repairGroup();
        if (null === $group) {
            return $this->page('repair/waiting.html.twig', $loaded, 'repair', ['stale' => null !== $loaded->state->story->last(Kind::Finding)]);
        }
        $repair = $this->catalogue->repair($group);
        $procedure = $this->catalogue->procedures[$repair->procedure];
        $finding = $loaded->state->story->finding();
        $sheet = $finding->id ?? $loaded->state->story->last(Kind::Repaired)?->shape()->text('sheet') ?? '';
        $prepared = $this->prepared($loaded, $procedure);
        $way = $this->way($procedure, $request->query->getString('way'));
        $steps = array_values(array_map(fn (Step $step): array => $this->step($loaded, $procedure, $step, $sheet), array_filter($procedure->steps, static fn (Step $step): bool => null === $step->way || $step->way === $way)));
        $next = null;
        foreach ($steps as $step) {
            $next ??= null === $step['done'] ? $step['id'] : null;
        }

        return $this->page('repair/repair.html.twig', $loaded, 'repair', [
            'group' => $group,
            'title' => $this->say->text('repair.'.$repair->id.'.do').', '.$this->say->place(explode('@', $group)[1]),
            'sentence' => null === $finding ? '' : $finding->shape()->text('sentence'),
            'sheet' => $sheet,
            'prepare' => $prepared,
            'ready' => [] === array_filter($prepared, static fn (array $item): bool => !$item['done']),
            'steps' => $steps,
            'nextStep' => $next,
            'nextLabel' => null === $next ? null : $this->say->text('step.'.$next),
            'photos' => $this->byStep($loaded),
            'way' => $way,
            'ways' => $procedure->ways(),
            'finished' => null === $finding,
            'complete' => [] === array_filter($steps, static fn (array $step): bool => $step['required'] && null === $step['done']),
            'inspect' => array_map(fn (string $id): string => $this->say->text('inspect.'.$id), $procedure->inspect),
            'opens' => $repair->opensSystem,
        ]);
    }

    /** The school's way of doing it, unless the other one was asked for. */
    private function way(Procedure $procedure, string $asked): string
    {
        return \in_array($asked, $procedure->ways(), true) ? $asked : ([] === $procedure->ways() ? '' : $this->shop->school($procedure->id));
    }

    /** @return array<string, list<array<string, mixed>>> */
    private function byStep(LoadedJob $loaded): array
    {
        $photos = [];
        foreach ($this->photos->of($loaded->job->id()) as $photo) {
            if (str_starts_with($photo['about'], 'step:')) {
                $photos[substr($photo['about'], 5)][] = $photo;
            }
        }

        return $photos;
    }

    /** @return list<array{id: string, label: string, count: int, done: bool}> */
    private function prepared(LoadedJob $loaded, Procedure $procedure): array
    {
        $entries = array_merge(...array_map(static fn ($chapter): array => $chapter->all(Kind::Prepared), $loaded->state->story->chapters));
        $have = array_map(static fn (Entry $entry): string => $entry->shape()->text('item'), $entries);

        return array_map(fn (array $item): array => ['id' => $item['id'], 'label' => $this->say->text('prepare.'.$item['id']), 'count' => $item['count'], 'done' => \in_array($item['id'], $have, true)], $procedure->prepare);
    }

    /** @return array<string, mixed> */
    private function step(LoadedJob $loaded, Procedure $procedure, Step $step, string $sheet): array
    {
        $done = JobState::stepDone($loaded->state->story, $sheet, $step->id);
        $confirmed = null !== $done && JobState::stepConfirmed($loaded->state->story, $done);
        $wait = null === $done ? 0 : max(0, Guard::SECOND_LOOK_S - ($this->clock->now()->getTimestamp() - $done->takenAt->getTimestamp()));
        $figure = null !== $done && $done->shape()->has('figure') ? $done->shape()->in('figure') : null;
        $typed = null === $figure ? '' : $figure->text('typed');
        $own = $loaded->state->story->torques()[$step->id] ?? null;
        $band = null === $own ? $step->typical : [$own * (1.0 - self::TORQUE_MAY_MISS), $own * (1.0 + self::TORQUE_MAY_MISS)];

        return [
            'id' => $step->id,
            'label' => $this->say->text('step.'.$step->id),
            'cautions' => array_map(fn (string $id): string => $this->say->text('caution.'.$id), $step->cautions),
            'typical' => null === $band || null === $step->measures ? null : [$this->units->figure($band[0], $step->measures), $this->units->figure($band[1], $step->measures)],
            'own' => null === $own || null === $step->measures ? null : $this->units->say($own, $step->measures),
            'gap' => Quantity::Length === $step->measures,
            'unit' => null === $step->measures ? null : $this->units->of($step->measures)->value,
            'count' => $step->count,
            'hold' => $step->holdPoint,
            'opens' => $step->opensSystem,
            'required' => $step->required,
            'done' => $done?->id,
            'figure' => null === $figure ? null : (is_numeric(str_replace(',', '.', $typed)) ? $typed.' '.$figure->text('unit') : $typed),
            'outside' => null !== $figure && null !== $band && ($figure->number('core') < $band[0] || $figure->number('core') > $band[1]),
            'confirmed' => $confirmed,
            'wait' => (int) ceil($wait / 60),
            'by' => null === $done ? '' : $this->users->names()[$done->author] ?? '',
        ];
    }
}
