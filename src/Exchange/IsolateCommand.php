<?php

declare(strict_types=1);

namespace App\Exchange;

use App\Catalogue\SourceHash;
use App\Prediction\Predictions;
use App\Shop\ShopSettings;
use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\CoreException;
use Rodrel\Core\InvalidData;
use Rodrel\Core\Isolation\Branch;
use Rodrel\Core\Isolation\CitedReading;
use Rodrel\Core\Isolation\Field;
use Rodrel\Core\Isolation\Gate;
use Rodrel\Core\Isolation\Proposal;
use Rodrel\Core\Isolation\Settings;
use Rodrel\Core\Isolation\Stop;
use Rodrel\Core\Isolation\Walk;
use Rodrel\Core\Job\Diagnosis;
use Rodrel\Core\Job\JobState;
use Rodrel\Core\Log\Entry;
use Rodrel\Core\Log\Kind;
use Rodrel\Core\Log\Payload\Arrival;
use Rodrel\Core\Log\Payload\BledPayload;
use Rodrel\Core\Log\Payload\CoolPayload;
use Rodrel\Core\Log\Payload\FindingNotes;
use Rodrel\Core\Log\Payload\FindingPayload;
use Rodrel\Core\Log\Payload\FittedPart;
use Rodrel\Core\Log\Payload\IntakePayload;
use Rodrel\Core\Log\Payload\LiftPayload;
use Rodrel\Core\Log\Payload\Payload;
use Rodrel\Core\Log\Payload\RepairedPayload;
use Rodrel\Core\Log\Payload\Said;
use Rodrel\Core\Log\Payload\TogetherPayload;
use Rodrel\Core\Log\Refused;
use Rodrel\Core\Log\Rule;
use Rodrel\Core\Log\Story;
use Rodrel\Core\Prediction\Prediction;
use Rodrel\Core\Shape;
use Rodrel\Core\Trial\Shelf;
use Rodrel\Core\Vehicle\Layout;
use Rodrel\Core\Vehicle\Lift;
use Rodrel\Core\Vocabulary\ApartAt;
use Rodrel\Core\Vocabulary\GroupAt;
use Symfony\Component\Console\Attribute\Argument;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Attribute\Option;
use Symfony\Component\Console\Output\OutputInterface;

/** From readings to what is believed and what to check next. Shapes in docs/formats. */
#[AsCommand('rodrel:isolate', 'Judges readings: suspects, reasons, next check (JSON in and out)')]
final readonly class IsolateCommand extends JsonCommand
{
    private const SHOWN_FROM = 0.001;
    private const SHOWN_ANSWERS = 6;

    public function __construct(
        private Documents $documents,
        private Catalogue $catalogue,
        private Predictions $predictions,
        private ShopSettings $shop,
        private SourceHash $sources,
        private Warm $warm,
    ) {
    }

    public function __invoke(
        OutputInterface $output,
        #[Argument('a file, or - for standard input')] string $request = '-',
        #[Option('keep running: every line of standard input is a request, every line of output its answer')]
        bool $lines = false,
    ): int {
        return $lines ? $this->lines($output) : $this->answer(
            $output,
            fn (): array => $this->isolate(new Shape($this->documents->read($request, 'isolate'))),
        );
    }

    private function lines(OutputInterface $output): int
    {
        while (false !== ($line = fgets(\STDIN))) {
            if ('' === trim($line)) {
                continue;
            }
            try {
                $answer = $this->isolate(new Shape($this->documents->parse($line, 'isolate')));
            } catch (CoreException $wrong) {
                $answer = ['format' => 1, 'error' => $wrong->getMessage()];
            }
            $output->writeln(
                json_encode($answer, \JSON_UNESCAPED_SLASHES | \JSON_UNESCAPED_UNICODE | \JSON_THROW_ON_ERROR),
                OutputInterface::OUTPUT_RAW,
            );
        }

        return 0;
    }

    /** @return array<string, mixed> */
    private function isolate(Shape $request): array
    {
        $id = $request->has('id') ? ['id' => $request->text('id')] : [];
        try {
            $document = $request->has('vehicle')
                ? $this->catalogue->vehicle('', $request->raw('vehicle'))
                : $this->catalogue->vehicle($request->text('preset'));
        } catch (InvalidData $unknown) {
            return ['format' => 1] + $id + ['outside_this_program' => $unknown->getMessage()];
        }
        $layout = Layout::fromArray($document);
        $key = $this->predictions->key($layout);
        if (!isset($this->warm->fields[$key])) {
            [$signature] = $this->predictions->compute($document);
            $this->warm->fields[$key] = Field::of($this->catalogue->knowledge(), $layout, $signature);
        }
        $field = $this->warm->fields[$key];
        $shelf = $request->flag('pairs', true) ? $this->shelf($key, $layout) : null;
        $settings = $request->has('tools')
            ? Settings::fromShape(new Shape(['tools' => $request->texts('tools')] + $this->shop->all()))
            : $this->shop->isolation();
        $state = $this->state($layout, $document, $request);
        $judgement = Diagnosis::of($field, $state, $settings, $shelf)->judgement();
        $advice = $judgement->advice;
        $shown = static fn (array $masses): array => array_map(
            static fn (float $mass): float => round($mass, 4),
            array_filter($masses, static fn (float $mass): bool => $mass >= self::SHOWN_FROM),
        );
        $why = static fn (CitedReading $spoken): array => [
            'check' => (string) $spoken->check,
            'outcomes' => $spoken->outcomes,
            'weight' => $spoken->weight->value,
            'ratio' => round($spoken->ratio, 3),
        ];
        $again = static fn (CitedReading $spoken): string => (string) $spoken->check;

        return ['format' => 1] + $id + [
            'groups' => $shown($judgement->groups),
            'suspects' => $shown($judgement->suspects),
            'pairs' => $shown($judgement->margins->pairs),
            'second_fault' => round($judgement->second, 4),
            'why' => array_map($why, $judgement->arguments[(string) $judgement->leader()] ?? []),
            'contradiction' => null === $advice->again ? null : array_map($again, $advice->again),
            'odd' => array_map($again, $advice->odd),
            'verdict' => $advice->reason,
            'confirmed' => $advice->confirmed,
            'repair' => null === $advice->repair ? null : (string) $advice->repair,
            'next' => null === $advice->next ? null : $this->proposal($advice->next),
            'round' => null === $advice->walk ? null : $this->walk($advice->walk),
            'others' => array_map($this->proposal(...), $advice->others),
            'while_there' => array_map(static fn (Proposal $one): string => (string) $one->at, $advice->alongside),
            'apart' => array_keys($state->situation->car->apart),
            'road' => ['open' => $state->road()->isOpen(), 'unmet' => $state->road()->unmet],
        ];
    }

    /**
     * The readings as a job's log, each through the same rule as on the bench.
     *
     * @param array<array-key, mixed> $document of the layout
     */
    private function state(Layout $layout, array $document, Shape $request): JobState
    {
        $at = new \DateTimeImmutable('2000-01-01');
        $sound = $this->predictions->sound($layout, $document);
        $log = [];
        $write = function (Payload $payload, string $path) use (&$log, $layout, $sound, $at): void {
            $seq = \count($log) + 1;
            $entry = new Entry('entry-'.$seq, $seq, $payload, '', $at->modify('+'.$seq.' minutes'));
            try {
                $story = Story::of($log, $this->catalogue->checks->keeping());
                Rule::check(JobState::of($this->catalogue, $layout, $sound, $story), $entry);
            } catch (Refused $refused) {
                $of = null === $refused->check ? '' : $refused->check.': ';
                $why = $of.implode(', ', $refused->reasons);
                throw InvalidData::at($path, 'this may not be done yet: '.$why);
            } catch (InvalidData $wrong) {
                throw InvalidData::at($path, $wrong->getMessage());
            }
            $log[] = $entry;
        };
        $fitted = array_values(array_map(FittedPart::read(...), $request->each('parts')));
        $arrival = new Arrival($request->flag('hot'), $request->flag('driven_in'), $request->flag('stood'));
        $complaints = $request->texts('complaints');
        $write(new IntakePayload($complaints, $request->text('pattern', ''), $arrival, $fitted, ''), '/parts');
        $lift = Lift::from($request->text('lift', Lift::Ground->value));
        $write(new LiftPayload($lift, $request->flag('stands')), '/lift');
        foreach (['readings', 'steps'] as $list) {
            foreach ($request->each($list) as $n => $step) {
                $raw = (array) $request->in($list)->raw((string) $n);
                foreach ($this->payloads($step, $raw, \count($log)) as $payload) {
                    $sheet = $payload instanceof FindingPayload || $payload instanceof RepairedPayload;
                    $sheet ? $log[] = $this->unasked($payload, $log, $at) : $write($payload, '/'.$list.'/'.$n);
                }
            }
        }

        return JobState::of($this->catalogue, $layout, $sound, Story::of($log, $this->catalogue->checks->keeping()));
    }

    /**
     * A repair is taken at its word: signatures and sheets are the job's own business.
     *
     * @param list<Entry> $log
     */
    private function unasked(Payload $payload, array $log, \DateTimeImmutable $at): Entry
    {
        $seq = \count($log) + 1;

        return new Entry('entry-'.$seq, $seq, $payload, '', $at->modify('+'.$seq.' minutes'));
    }

    /**
     * @param array<array-key, mixed> $raw
     *
     * @return list<Payload>
     */
    private function payloads(Shape $step, array $raw, int $seq): array
    {
        try {
            return match (true) {
                $step->has('lift') => [new LiftPayload(Lift::from($step->text('lift')), $step->flag('stands'))],
                $step->has('cannot') => [Kind::Cannot->read(['check' => $step->text('cannot')] + $raw)],
                $step->has('cool') => [new CoolPayload()],
                $step->has('together') => [new TogetherPayload(ApartAt::parse($step->text('together')))],
                $step->has('repaired') => [
                    new FindingPayload(
                        GroupAt::parse($step->text('repaired')),
                        new Said(''),
                        0.0,
                        0.0,
                        [],
                        [],
                        new FindingNotes(),
                    ),
                    new RepairedPayload(GroupAt::parse($step->text('repaired')), 'entry-'.($seq + 1)),
                    ...$step->flag('bled') ? [new BledPayload()] : [],
                ],
                $step->has('round') => [Kind::Round->read($raw)],
                default => [Kind::Reading->read($raw)],
            };
        } catch (InvalidData $wrong) {
            throw $step->wrong('', $wrong->getMessage());
        }
    }

    /** @return array<string, mixed> the checks and rows of a round: who knows only checks answers them one by one */
    private function walk(Walk $walk): array
    {
        $stop = static fn (Stop $one): array => [
            'check' => (string) $one->at,
            'rows' => $one->rows,
            'good' => [] === $one->good ? new \stdClass() : $one->good,
        ];

        return [
            'round' => $walk->round,
            'minutes' => round($walk->minutes, 1),
            'checks' => array_map($stop, $walk->stops),
            'folded' => array_map(static fn (Stop $one): string => (string) $one->at, $walk->folded),
        ];
    }

    private function shelf(string $key, Layout $layout): Shelf
    {
        return $this->warm->shelves[$key] ??= new Shelf(
            new Prediction(
                $layout,
                $this->catalogue->checks,
                $this->catalogue->complaints,
                $this->catalogue->keys($this->sources->predicting()),
            ),
            $this->catalogue->faults,
        );
    }

    /** @return array<string, mixed> */
    private function proposal(Proposal $proposal): array
    {
        $branch = static fn (Branch $branch): array => [
            'outcomes' => [] === $branch->outcomes
                ? ['not_at_best' => $branch->marked, 'seen' => $branch->seen]
                : $branch->outcomes,
            'chance' => round($branch->chance, 3),
            'leaders' => array_map(
                static fn (array $leader): array => [$leader[0], round($leader[1], 3)],
                $branch->leaders,
            ),
        ];

        return [
            'check' => (string) $proposal->at,
            'rows' => array_values(array_filter($proposal->rows, static fn (string $row): bool => '' !== $row)),
            'minutes' => round($proposal->worth->minutes - $proposal->worth->wayMinutes, 1),
            'way_minutes' => round($proposal->worth->wayMinutes, 1),
            'bits' => round($proposal->worth->bits, 3),
            'saving_cents' => (int) round($proposal->worth->savingCents),
            'score' => round($proposal->worth->score, 1),
            'first' => array_merge(...array_map(static fn (Gate $gate): array => $gate->unmet, $proposal->gates)),
            'fork' => array_map($branch, \array_slice($proposal->fork, 0, self::SHOWN_ANSWERS)),
        ];
    }
}
