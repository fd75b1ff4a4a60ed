<?php

declare(strict_types=1);

namespace App\Bench;

use App\Job\Job;
use App\Job\LoadedJob;
use App\Job\RendersJob;
use App\Photo\Photos;
use App\Shop\ShopSettings;
use App\Text\Bands;
use App\Text\Units;
use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Check\Check;
use Rodrel\Core\Heat\ThermalWheel;
use Rodrel\Core\Isolation\Gate;
use Rodrel\Core\Log\Payload\FittedPart;
use Rodrel\Core\Proof\Criterion;
use Rodrel\Core\Proof\CriterionRule;
use Rodrel\Core\Quantity\Quantity;
use Rodrel\Core\Vehicle\Measuring;
use Rodrel\Core\Vocabulary\CheckAt;
use Rodrel\Core\Vocabulary\Corner;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** One check's sheet, and the search through all of them. */
final class CheckController extends RendersJob
{
    /** Without them nothing is tried: service mode, cycling, coding; gas under pressure; a spring chamber caged. */
    private const ONLY_WITH = ['scan-tool', 'charging-kit', 'caging-bolt'];

    private const SHAKES = 'road-shake';
    private const SPEEDS_KMH = [50, 80, 110];

    public function __construct(
        private readonly Catalogue $catalogue,
        private readonly Units $units,
        private readonly Photos $photos,
        private readonly ShopSettings $shop,
        private readonly Bands $bands,
        private readonly GateView $gates,
        private readonly AnswersSoFar $answers,
    ) {
    }

    #[Route('/jobs/{id:job}/checks', name: 'job_checks', methods: ['GET'])]
    public function all(Job $job, Request $request): Response
    {
        $loaded = ($this->readJob)($job);
        $words = mb_strtolower(trim($request->query->getString('q')));
        $found = [];
        foreach ($this->catalogue->checks as $check) {
            foreach ($check->everywhere($loaded->layout) as $at) {
                $name = $this->say->check($at);
                $text = mb_strtolower($name.' '.$this->say->text('check.'.$check->id.'.how'));
                if ($this->canBeMade($check) && ('' === $words || str_contains($text, $words))) {
                    $found[$check->station][] = [
                        'id' => (string) $at,
                        'name' => $name,
                        'minutes' => (int) ceil($check->demand->minutes),
                        'made' => $loaded->state->situation->made($at),
                        'closed' => [] !== $this->gates->closedFor($loaded, $at),
                    ];
                }
            }
        }
        $found = array_filter(array_merge(array_fill_keys(array_keys($this->catalogue->stations), []), $found));

        return $this->page('bench/checks.html.twig', $loaded, 'bench', new ChecksPage(
            found: $found,
            words: $words,
        ));
    }

    #[Route('/jobs/{id:job}/checks/{check}', name: 'job_check', methods: ['GET'])]
    public function __invoke(Job $job, string $check): Response
    {
        $loaded = ($this->readJob)($job);
        $at = CheckAt::tryParse($check) ?? throw $this->createNotFoundException();
        $definition = $this->catalogue->checks->all[$at->id] ?? throw $this->createNotFoundException();
        if (!$definition->places->has($loaded->layout, $at->place) || !$this->canBeMade($definition)) {
            throw $this->createNotFoundException();
        }
        $proved = null !== $loaded->state->repaired && null === $loaded->state->proof->failed();
        $manner = $definition->manner;

        $here = $definition->role->proof ? 'proof' : 'bench';
        $proves = $proved && $this->provesSomething($loaded, $definition);

        return $this->page('bench/check.html.twig', $loaded, $here, new CheckPage(
            check: $check,
            manner: $manner,
            tools: $definition->demand->tools,
            missing: $this->missing($definition, $at),
            name: $this->say->check($at),
            how: $this->say->text('check.'.$definition->id.'.how'),
            turns: self::SHAKES === $definition->id ? $this->turns($loaded) : null,
            spoken: array_map(fn (string $word): string => $this->say->text('say.'.$word), $manner->spoken),
            caution: null === $manner->caution ? null : $this->say->text('caution.'.$manner->caution),
            rows: $this->rows($loaded, $at, $definition),
            wheels: $definition->isByWheel(),
            overAir: $definition->isHeat(),
            gates: array_merge(...array_map(
                fn (Gate $gate): array => $this->gates->of($gate, $loaded),
                $this->gates->closedFor($loaded, $at),
            )),
            made: $loaded->state->situation->made($at),
            answers: $this->answers->of($loaded, $at),
            open: array_map(fn (string $row): array => [
                'id' => '' === $row ? '0' : $row,
                'label' => '' === $row ? '' : $this->say->row($at, $row),
            ], $loaded->state->situation->open($definition, $at)),
            from: $definition->role->proof || $proves ? 'proof' : 'bench',
            makeshifts: $this->makeshifts($loaded, $at),
            photos: $this->photos->of($job->id(), 'check:'.$check),
            measures: $definition->role->measures,
            noted: $definition->role->noted,
            records: $definition->role->records,
            limit: Measuring::Limit === $definition->role->measures
                            ? $this->limit($loaded, $at->place->corner())
                            : null,
            lengthUnit: $this->units->of(Quantity::Length)->value,
            airUnit: $this->units->of(Quantity::Temperature)->value,
        ));
    }

    /**
     * What to do where the shop has not the tools: the next best check, or none at all.
     *
     * @return list<array{said: string, check: string|null}>
     */
    private function missing(Check $check, CheckAt $at): array
    {
        $missing = $this->shop->isolation()->missingTools($check->demand->tools);
        $instead = $check->demand->turn->instead;
        if ([] === $missing || (null === $instead && [] === array_intersect(self::ONLY_WITH, $missing))) {
            return [];
        }
        $next = null === $instead ? null : CheckAt::of($instead, $at->place);

        return [[
            'said' => $this->say->ui(null === $next ? 'check.no-tool' : 'check.no-tool-instead', [
                'tool' => implode(', ', array_map(fn (string $one): string => $this->say->ui('tool.'.$one), $missing)),
                'check' => null === $next ? '' : $this->say->check($next),
            ]),
            'check' => null === $next ? null : (string) $next,
        ]];
    }

    /** @return list<string> earlier makeshifts where the check is made */
    private function makeshifts(LoadedJob $loaded, CheckAt $at): array
    {
        $here = array_filter(
            $loaded->state->story->intake()?->makeshifts() ?? [],
            static fn (FittedPart $one): bool => $loaded->layout->reaches($one->part->place, $at->place),
        );

        return array_values(array_map($this->say->makeshift(...), $here));
    }

    /** How often a wheel of this vehicle turns in a second: what shakes at another pace is no wheel. */
    private function turns(LoadedJob $loaded): string
    {
        $round = 2.0 * \M_PI * $loaded->layout->body->tyreRadiusM;
        $said = [];
        foreach (self::SPEEDS_KMH as $kmh) {
            $said['v'.$kmh] = number_format($kmh / 3.6 / $round, 1);
        }

        return $this->say->ui('check.turns', $said);
    }

    /** What the driver was asked by the intake is not asked again here. */
    private function canBeMade(Check $check): bool
    {
        return !$check->role->asked || $check->firstRow()->observer->isSign();
    }

    private function provesSomething(LoadedJob $loaded, Check $check): bool
    {
        $ids = [
            ...array_map(static fn (CriterionRule $one): ?string => $one->check, $this->catalogue->proof->criteria),
            ...array_map(static fn (Criterion $one): ?string => $one->check?->id, $loaded->state->proof->criteria),
        ];

        return \in_array($check->id, $ids, true);
    }

    /** @return array{part: string, own: string|null}|null drum or rotor, and the limit that was typed for it */
    private function limit(LoadedJob $loaded, ?Corner $corner): ?array
    {
        if (null === $corner) {
            return null;
        }
        $disc = $loaded->layout->brake($corner)->disc;
        $own
            = $loaded->state->story->figures()[
                $disc ? ($corner->isFront() ? 'rotor_min_front_mm' : 'rotor_min_rear_mm') : 'drum_max_mm'
            ] ?? null;

        return [
            'part' => $disc ? 'rotor' : 'drum',
            'own' => null === $own ? null : $this->units->figure($own, Quantity::Length),
        ];
    }

    /** @return list<array<string, mixed>> */
    private function rows(LoadedJob $loaded, CheckAt $at, Check $check): array
    {
        $rows = [];
        foreach ($check->rows as $row) {
            $typed = $row->observer->typed;
            $rows[] = [
                'id' => $row->id,
                'label' => '' === $row->id ? '' : $this->say->row($at, $row->id),
                'slower' => $row->observer->isOverAir() && null !== $row->corner
                    ? round(ThermalWheel::slower($loaded->layout->brake($row->corner)->lining->rotorKg), 3)
                    : null,
                'number' => null !== $typed,
                'sound' => $this->bands->usual($loaded->state->sound(), $at, $row),
                'bands' => $this->bands->of($loaded->state->sound(), $at, $row),
                'quantity' => $typed?->quantity->value,
                'unit' => null === $typed ? null : $this->units->of($typed->quantity, $typed->unit)->value,
                'words' => array_map(
                    fn (string $word): array => [
                        'id' => $word,
                        'label' => $this->say->word($at, $row->id, $word),
                    ],
                    $row->observer->words(),
                ),
            ];
        }

        return $rows;
    }
}
