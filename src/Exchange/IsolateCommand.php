<?php

declare(strict_types=1);

namespace App\Exchange;

use App\Prediction\Predictions;
use App\Shop\ShopSettings;
use Rodrel\Core\Catalogue;
use Rodrel\Core\Isolation\Argument;
use Rodrel\Core\Isolation\Branch;
use Rodrel\Core\Isolation\Explanation;
use Rodrel\Core\Isolation\Field;
use Rodrel\Core\Isolation\Gate;
use Rodrel\Core\Isolation\Proposal;
use Rodrel\Core\Isolation\Reading;
use Rodrel\Core\Job\Entry;
use Rodrel\Core\Job\Guard;
use Rodrel\Core\Job\JobState;
use Rodrel\Core\Job\Kind;
use Rodrel\Core\Job\Refused;
use Rodrel\Core\Job\Story;
use Rodrel\Core\Shape;
use Rodrel\Core\Vehicle\Layout;
use Symfony\Component\Console\Attribute\Argument as CliArgument;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Output\OutputInterface;

/** From readings to what is believed and what to check next. Shapes in docs/formats. */
#[AsCommand('rodrel:isolate', 'Judges readings: suspects, reasons, next check (JSON in and out)')]
final readonly class IsolateCommand extends JsonCommand
{
    public function __construct(private Documents $documents, private Catalogue $catalogue, private Predictions $predictions, private ShopSettings $shop)
    {
    }

    public function __invoke(OutputInterface $output, #[CliArgument('a file, or - for standard input')] string $request = '-'): int
    {
        return $this->answer($output, fn (): array => $this->isolate(new Shape($this->documents->read($request, 'isolate'))));
    }

    /** @return array<string, mixed> */
    private function isolate(Shape $request): array
    {
        $preset = $request->text('preset');
        $layout = Layout::fromArray($this->catalogue->presets[$preset] ?? throw $request->wrong('preset', 'there is none of that name: '.implode(', ', array_keys($this->catalogue->presets))));
        $field = Field::of($this->catalogue, $layout, $this->predictions->compute($this->catalogue->vehicle($preset)));
        $state = $this->state($field, $request);
        $belief = $state->belief ?? throw new \LogicException('A field gives a belief.');
        $verdict = $state->verdict() ?? throw new \LogicException('A belief gives a verdict.');
        $leader = $belief->leader();
        $shown = static fn (array $masses): array => array_map(static fn (float $mass): float => round($mass, 4), array_filter($masses, static fn (float $mass): bool => $mass >= 0.001));

        return [
            'format' => 1,
            'groups' => $shown($belief->groups),
            'suspects' => $shown($belief->suspects),
            'second_fault' => round($belief->second, 4),
            'why' => null === $leader ? [] : array_map(static fn (Argument $a): array => ['check' => $a->reading->check, 'outcomes' => $a->reading->outcomes, 'weight' => $a->weight->value, 'ratio' => round($a->ratio, 3)], Explanation::of($belief, $leader[0])),
            'contradiction' => null === $verdict->contradiction ? null : array_map(static fn (Reading $r): string => $r->check, $verdict->contradiction->again),
            'verdict' => $verdict->reason,
            'repair' => $verdict->repair,
            'next' => null === $verdict->next ? null : $this->proposal($verdict->next),
            'others' => array_map($this->proposal(...), $verdict->others),
            'road' => ['open' => $state->road()->isOpen(), 'unmet' => $state->road()->unmet],
        ];
    }

    /** The readings as a job's log, each through the same guard as on the bench. */
    private function state(Field $field, Shape $request): JobState
    {
        $guard = new Guard($this->catalogue);
        $at = new \DateTimeImmutable('2000-01-01');
        $log = [
            new Entry('intake', 1, Kind::Intake, ['complaint' => '', 'pattern' => '', 'hot' => $request->flag('hot'), 'parts' => $request->raw('parts')], '', $at),
            new Entry('lift', 2, Kind::Lift, ['to' => $request->text('lift', 'ground'), 'stands' => $request->flag('stands')], '', $at),
        ];
        foreach ($request->each('readings') as $n => $reading) {
            $outcomes = $reading->raw('outcomes');
            $payload = ['check' => $reading->text('check'), 'outcomes' => $outcomes, 'numbers' => $reading->raw('numbers'), 'unsure' => $reading->flag('unsure')];
            $entry = new Entry('reading-'.$n, \count($log) + 1, Kind::Reading, $payload, '', $at->modify('+'.\count($log).' minutes'));
            try {
                $guard->check(JobState::of($this->catalogue, $field, Story::of($log), $this->shop->isolation()), $entry);
            } catch (Refused $refused) {
                throw $reading->wrong('', 'this check may not be made yet: '.implode(', ', $refused->reasons));
            } catch (\Rodrel\Core\InvalidData $wrong) {
                throw $reading->wrong('', $wrong->getMessage());
            }
            $log[] = $entry;
        }

        return JobState::of($this->catalogue, $field, Story::of($log), $this->shop->isolation());
    }

    /** @return array<string, mixed> */
    private function proposal(Proposal $proposal): array
    {
        return [
            'check' => $proposal->id(),
            'minutes' => round($proposal->minutes, 1),
            'bits' => round($proposal->bits, 3),
            'saving_cents' => (int) round($proposal->savingCents),
            'score' => round($proposal->score, 1),
            'first' => array_merge(...array_map(static fn (Gate $gate): array => $gate->unmet, $proposal->gates)),
            'fork' => array_map(static fn (Branch $b): array => ['outcomes' => [] === $b->outcomes ? ['not_at_best' => $b->marked] : $b->outcomes, 'chance' => round($b->chance, 3), 'leaders' => array_map(static fn (array $l): array => [$l[0], round($l[1], 3)], $b->leaders)], \array_slice($proposal->fork, 0, 6)),
        ];
    }
}
