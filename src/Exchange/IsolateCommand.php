<?php

declare(strict_types=1);

namespace App\Exchange;

use App\Prediction\Predictions;
use App\Shop\ShopSettings;
use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\InvalidData;
use Rodrel\Core\Isolation\Branch;
use Rodrel\Core\Isolation\Field;
use Rodrel\Core\Isolation\Gate;
use Rodrel\Core\Isolation\Proposal;
use Rodrel\Core\Isolation\Spoken;
use Rodrel\Core\Job\Diagnosis;
use Rodrel\Core\Job\JobState;
use Rodrel\Core\Log\Entry;
use Rodrel\Core\Log\Kind;
use Rodrel\Core\Log\Payload\Arrival;
use Rodrel\Core\Log\Payload\FittedPart;
use Rodrel\Core\Log\Payload\IntakePayload;
use Rodrel\Core\Log\Payload\LiftPayload;
use Rodrel\Core\Log\Payload\Payload;
use Rodrel\Core\Log\Refused;
use Rodrel\Core\Log\Rule;
use Rodrel\Core\Log\Story;
use Rodrel\Core\Shape;
use Rodrel\Core\Vehicle\Layout;
use Rodrel\Core\Vehicle\Lift;
use Symfony\Component\Console\Attribute\Argument;
use Symfony\Component\Console\Attribute\AsCommand;
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
    ) {
    }

    public function __invoke(
        OutputInterface $output,
        #[Argument('a file, or - for standard input')] string $request = '-',
    ): int {
        return $this->answer(
            $output,
            fn (): array => $this->isolate(new Shape($this->documents->read($request, 'isolate'))),
        );
    }

    /** @return array<string, mixed> */
    private function isolate(Shape $request): array
    {
        $document = $this->catalogue->vehicle($request->text('preset'));
        $layout = Layout::fromArray($document);
        [$signature] = $this->predictions->compute($document);
        $field = Field::of($this->catalogue->knowledge(), $layout, $signature);
        $state = $this->state($layout, $document, $request);
        $judgement = Diagnosis::of($field, $state, $this->shop->isolation())->judgement();
        $advice = $judgement->advice;
        $shown = static fn (array $masses): array => array_map(
            static fn (float $mass): float => round($mass, 4),
            array_filter($masses, static fn (float $mass): bool => $mass >= self::SHOWN_FROM),
        );
        $why = static fn (Spoken $spoken): array => [
            'check' => (string) $spoken->check,
            'outcomes' => $spoken->outcomes,
            'weight' => $spoken->weight->value,
            'ratio' => round($spoken->ratio, 3),
        ];
        $again = static fn (Spoken $spoken): string => (string) $spoken->check;

        return [
            'format' => 1,
            'groups' => $shown($judgement->groups),
            'suspects' => $shown($judgement->suspects),
            'second_fault' => round($judgement->second, 4),
            'why' => array_map($why, $judgement->arguments[(string) $judgement->leader()] ?? []),
            'contradiction' => null === $advice->again ? null : array_map($again, $advice->again),
            'verdict' => $advice->reason,
            'repair' => null === $advice->repair ? null : (string) $advice->repair,
            'next' => null === $advice->next ? null : $this->proposal($advice->next),
            'others' => array_map($this->proposal(...), $advice->others),
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
                Rule::check(JobState::of($this->catalogue, $layout, $sound, Story::of($log)), $entry);
            } catch (Refused $refused) {
                $why = implode(', ', $refused->reasons);
                throw InvalidData::at($path, 'this may not be done yet: '.$why);
            } catch (InvalidData $wrong) {
                throw InvalidData::at($path, $wrong->getMessage());
            }
            $log[] = $entry;
        };
        $fitted = array_values(array_map(FittedPart::read(...), $request->each('parts')));
        $write(new IntakePayload([], '', new Arrival($request->flag('hot')), $fitted, ''), '/parts');
        $lift = Lift::from($request->text('lift', Lift::Ground->value));
        $write(new LiftPayload($lift, $request->flag('stands')), '/lift');
        foreach ($request->each('readings') as $n => $reading) {
            try {
                $payload = Kind::Reading->read((array) $request->in('readings')->raw((string) $n));
            } catch (InvalidData $wrong) {
                throw $reading->wrong('', $wrong->getMessage());
            }
            $write($payload, '/readings/'.$n);
        }

        return JobState::of($this->catalogue, $layout, $sound, Story::of($log));
    }

    /** @return array<string, mixed> */
    private function proposal(Proposal $proposal): array
    {
        $branch = static fn (Branch $branch): array => [
            'outcomes' => [] === $branch->outcomes ? ['not_at_best' => $branch->marked] : $branch->outcomes,
            'chance' => round($branch->chance, 3),
            'leaders' => array_map(
                static fn (array $leader): array => [$leader[0], round($leader[1], 3)],
                $branch->leaders,
            ),
        ];

        return [
            'check' => (string) $proposal->at,
            'minutes' => round($proposal->worth->minutes, 1),
            'bits' => round($proposal->worth->bits, 3),
            'saving_cents' => (int) round($proposal->worth->savingCents),
            'score' => round($proposal->worth->score, 1),
            'first' => array_merge(...array_map(static fn (Gate $gate): array => $gate->unmet, $proposal->gates)),
            'fork' => array_map($branch, \array_slice($proposal->fork, 0, self::SHOWN_ANSWERS)),
        ];
    }
}
