<?php

declare(strict_types=1);

namespace App\Inboard;

use App\Job\LoadedJob;
use App\Text\Letters;
use App\Text\Say;
use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Isolation\Proposal;
use Rodrel\Core\Log\Entry;
use Rodrel\Core\Log\Payload\BleedSetupPayload;
use Rodrel\Core\Log\Payload\ReadingPayload;
use Rodrel\Core\Vocabulary\CheckAt;
use Rodrel\Core\Vocabulary\Place;
use Rodrel\Core\Vocabulary\SuspectAt;

/**
 * What the reservoir tells: every look at it with its date, what each chamber loses a day, for how long it lasts, and
 * where it can have gone.
 */
final readonly class FluidView
{
    /** Between its marks a reservoir holds about a third of what it holds in all (share; estimate). */
    private const BETWEEN_MARKS = 0.33;
    private const WAYS = 5;
    private const WAYS_FROM = 0.01;
    private const LOSES_FROM_ML = 0.2;

    public function __construct(private Leading $leading, private Catalogue $catalogue, private Say $say)
    {
    }

    public function of(LoadedJob $loaded): FluidPage
    {
        $typed = $this->leading->typed($loaded);
        $chambers = [];
        $reservoirMl = $loaded->layout->pipework->reservoirMl ?? $this->catalogue->bleeding->reservoirMl;
        $each = $reservoirMl / \count($loaded->layout->chambers);
        foreach ($loaded->layout->chambers as $chamber) {
            $at = CheckAt::of('level-marks', Place::of($chamber->id));
            $perDay = $typed[$at->row('')] ?? null;
            $chambers[] = [
                'id' => $chamber->id,
                'name' => Letters::up($this->say->place($chamber->id)),
                'wheels' => implode(', ', array_map(
                    fn ($wheel): string => $this->say->place($wheel->value),
                    $chamber->wheels,
                )),
                'perDay' => null === $perDay ? null : \sprintf('%.1f', $perDay),
                'days' => null === $perDay || $perDay < self::LOSES_FROM_ML
                    ? null
                    : (int) floor(self::BETWEEN_MARKS * $each / $perDay),
                'check' => (string) $at,
                'low' => $this->low($loaded, $chamber->id),
            ];
        }

        return new FluidPage(
            chambers: $chambers,
            looks: $this->looks($loaded),
            bottles: $this->bottles($loaded),
            ways: $this->ways($loaded),
            next: $this->next($loaded),
            said: $this->said($loaded, $chambers),
        );
    }

    private function low(LoadedJob $loaded, string $chamber): bool
    {
        $level = $loaded->state->situation->outcome(CheckAt::parse('look@vehicle'), 'level');

        return \in_array($level, ['bad', 'empty', $chamber], true);
    }

    /** @return list<array{at: \DateTimeImmutable, level: string, wet: string}> every look of the whole job */
    private function looks(LoadedJob $loaded): array
    {
        $looks = [];
        foreach ($loaded->state->story->entriesOf(ReadingPayload::class) as $entry) {
            $reading = $entry->payload;
            if ('look' === $reading->check->id) {
                $say = fn (string $row): string => isset($reading->outcomes[$row])
                    ? $this->say->word($reading->check, $row, $reading->outcomes[$row])
                    : '–';
                $looks[] = ['at' => $entry->takenAt, 'level' => $say('level'), 'wet' => $say('wet')];
            }
        }

        return $looks;
    }

    /** @return list<array{at: \DateTimeImmutable, fluid: string, lot: string}> every bottle that was filled from */
    private function bottles(LoadedJob $loaded): array
    {
        return array_map(
            fn (Entry $entry): array => [
                'at' => $entry->takenAt,
                'fluid' => $this->say->ui('bleed.fluid-'.$entry->payload->fluid),
                'lot' => $entry->payload->lot,
            ],
            $loaded->state->story->entriesOf(BleedSetupPayload::class),
        );
    }

    /**
     * Where it can have gone: the suspects that lose fluid, with what each would lose in a day and how it is looked at.
     *
     * @return list<array{name: string, mass: float, looks: list<array{check: string, name: string, made: bool}>}>
     */
    private function ways(LoadedJob $loaded): array
    {
        $judgement = $loaded->judgement();
        $ways = [];
        foreach ($judgement->suspects ?? [] as $suspect => $mass) {
            $at = SuspectAt::parse($suspect);
            $fault = $this->catalogue->faults->of($at);
            if ($mass < self::WAYS_FROM || \count($ways) >= self::WAYS || null === $fault->signs->of('look', 'level')) {
                continue;
            }
            $looks = [];
            foreach ($fault->confirm as $id) {
                foreach ($this->catalogue->checks->of($id)->everywhere($loaded->layout) as $check) {
                    if ($loaded->layout->reaches($check->place, $at->place)) {
                        $looks[] = [
                            'check' => (string) $check,
                            'name' => $this->say->check($check),
                            'made' => $loaded->state->situation->made($check),
                        ];
                    }
                }
            }
            $ways[] = ['name' => $this->say->suspect($at), 'mass' => $mass, 'looks' => $looks];
        }

        return $ways;
    }

    /** @return array{check: string, name: string}|null what is proposed now, where it looks for fluid */
    private function next(LoadedJob $loaded): ?array
    {
        $next = $loaded->judgement()?->advice->next;

        return $next instanceof Proposal
            ? ['check' => (string) $next->at, 'name' => $this->say->check($next->at)]
            : null;
    }

    /** @param list<array<string, mixed>> $chambers */
    private function said(LoadedJob $loaded, array $chambers): string
    {
        foreach ($chambers as $chamber) {
            if (null !== $chamber['days']) {
                return $this->say->ui('fluid.said-loses', [
                    'chamber' => $chamber['name'], 'ml' => $chamber['perDay'], 'days' => (string) $chamber['days'],
                ]);
            }
        }
        $pads = $loaded->state->situation->outcome(CheckAt::parse('pads-left@front'), '');
        $low = [] !== array_filter($chambers, static fn (array $one): bool => $one['low']);

        return $this->say->ui(match (true) {
            $low && 'at-limit' === $pads => 'fluid.said-pads',
            $low => 'fluid.said-low',
            default => 'fluid.said-level',
        });
    }
}
