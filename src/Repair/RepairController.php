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
use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Job\Stage;
use Rodrel\Core\Log\Entry;
use Rodrel\Core\Log\Payload\FindingPayload;
use Rodrel\Core\Log\Payload\PreparedPayload;
use Rodrel\Core\Log\Payload\RepairedPayload;
use Rodrel\Core\Log\Payload\StepPayload;
use Rodrel\Core\Log\Rule;
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
    public function __construct(
        private readonly Catalogue $catalogue,
        private readonly ClockInterface $clock,
        private readonly UserRepository $users,
        private readonly Units $units,
        private readonly Photos $photos,
        private readonly ShopSettings $shop,
    ) {
    }

    #[Route('/jobs/{id:job}/repair', name: 'job_repair', methods: ['GET'])]
    public function __invoke(Job $job, Request $request): Response
    {
        $loaded = ($this->readJob)($job);
        $group = $loaded->state->repairGroup();
        if (null === $group) {
            $stale = null !== $loaded->state->story->last(FindingPayload::class);

            return $this->page('repair/waiting.html.twig', $loaded, 'repair', new RepairWaitingPage(
                stale: $stale,
            ));
        }
        $procedure = $this->catalogue->repairs->procedureOf($group);
        $finding = $loaded->state->story->finding();
        $repaired = $loaded->state->story->last(RepairedPayload::class);
        $sheet = $finding->id ?? ($repaired->payload->sheet ?? '');
        $prepared = $this->prepared($loaded, $procedure);
        $way = $this->way($procedure, $request->query->getString('way'));
        $own = array_filter($procedure->steps, static fn (Step $one): bool => null === $one->way || $one->way === $way);
        $steps = array_values(array_map(fn (Step $one): array => $this->step($loaded, $one, $sheet), $own));
        $next = null;
        foreach ($steps as $step) {
            $next ??= null === $step['done'] ? $step['id'] : null;
        }

        $lacks = static fn (array $step): bool => $step['required'] && null === $step['done'];

        return $this->page('repair/repair.html.twig', $loaded, 'repair', new RepairPage(
            group: (string) $group,
            title: $this->say->work($group),
            sentence: null === $finding ? '' : $this->say->again($finding->payload->sentence),
            sheet: $sheet,
            prepare: $prepared,
            ready: [] === array_filter($prepared, static fn (array $item): bool => !$item['done']),
            steps: $steps,
            nextStep: $next,
            nextLabel: null === $next ? null : $this->say->text('step.'.$next),
            photos: $this->byStep($loaded),
            way: $way,
            ways: $procedure->ways(),
            finished: null === $finding,
            reopen: null === $finding && Stage::Done !== $loaded->state->stage ? $repaired?->id : null,
            complete: [] === array_filter($steps, $lacks),
            inspect: array_map(fn (string $id): string => $this->say->text('inspect.'.$id), $procedure->inspect),
            opens: $this->catalogue->repairs->opensSystem($group),
        ));
    }

    /** The school's way of doing it, unless the other one was asked for. */
    private function way(Procedure $procedure, string $asked): string
    {
        return \in_array($asked, $procedure->ways(), true) ? $asked : $this->shop->practice()->wayOf($procedure);
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
        $have = array_map(
            static fn (Entry $entry): string => $entry->payload->item,
            $loaded->state->story->entriesOf(PreparedPayload::class),
        );

        return array_map(
            fn (array $item): array => [
                'id' => $item['id'],
                'label' => $this->say->text('prepare.'.$item['id']),
                'count' => $item['count'],
                'done' => \in_array($item['id'], $have, true),
            ],
            $procedure->prepare,
        );
    }

    /** @param Entry<StepPayload> $done */
    private function since(Entry $done): int
    {
        return $this->clock->now()->getTimestamp() - $done->takenAt->getTimestamp();
    }

    /** @return array<string, mixed> */
    private function step(LoadedJob $loaded, Step $step, string $sheet): array
    {
        $done = $loaded->state->story->stepDone($sheet, $step->id);
        $confirmed = null !== $done && $loaded->state->story->stepConfirmed($done);
        $wait = null === $done ? 0 : max(0, Rule::SECOND_LOOK_S - $this->since($done));
        $figure = $done?->payload->figure;
        $own = $loaded->state->story->torques()[$step->id] ?? null;
        $band = $step->figure?->band($own);

        return [
            'id' => $step->id,
            'label' => $this->say->text('step.'.$step->id),
            'cautions' => array_map(fn (string $id): string => $this->say->text('caution.'.$id), $step->cautions),
            'typical' => null === $band
                    ? null
                    : [
                        $this->units->figure($band[0], $step->figure->measures),
                        $this->units->figure($band[1], $step->figure->measures),
                    ],
            'own' => null === $own || null === $step->figure ? null : $this->units->say($own, $step->figure->measures),
            'gap' => Quantity::Length === $step->figure?->measures,
            'unit' => null === $step->figure ? null : $this->units->of($step->figure->measures)->value,
            'count' => $step->count,
            'hold' => $step->figure->holdPoint ?? false,
            'opens' => $step->opens,
            'required' => $step->required,
            'done' => $done?->id,
            'figure' => $figure?->said(),
            'outside' => null !== $figure && null !== $band && ($figure->core < $band[0] || $figure->core > $band[1]),
            'confirmed' => $confirmed,
            'wait' => (int) ceil($wait / 60),
            'by' => null === $done ? '' : $this->users->names()[$done->author] ?? '',
        ];
    }
}
