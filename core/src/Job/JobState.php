<?php

declare(strict_types=1);

namespace Rodrel\Core\Job;

use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Isolation\Complaint;
use Rodrel\Core\Isolation\Gate;
use Rodrel\Core\Isolation\Reading;
use Rodrel\Core\Isolation\Situation;
use Rodrel\Core\Log\Chapter;
use Rodrel\Core\Log\Door;
use Rodrel\Core\Log\Entry;
use Rodrel\Core\Log\EpochState;
use Rodrel\Core\Log\Kind;
use Rodrel\Core\Log\Payload\CountersignPayload;
use Rodrel\Core\Log\Payload\LinePayload;
use Rodrel\Core\Log\Payload\Payload;
use Rodrel\Core\Log\Payload\ReadingPayload;
use Rodrel\Core\Log\Payload\RepairedPayload;
use Rodrel\Core\Log\Payload\UndoPayload;
use Rodrel\Core\Log\Payload\WaivePayload;
use Rodrel\Core\Log\Story;
use Rodrel\Core\Prediction\SoundSignature;
use Rodrel\Core\Proof\CriterionRule;
use Rodrel\Core\Proof\ProofBook;
use Rodrel\Core\Proof\ProofRun;
use Rodrel\Core\Proof\SameDrive;
use Rodrel\Core\Repair\Sheet;
use Rodrel\Core\Vehicle\Layout;
use Rodrel\Core\Vocabulary\GroupAt;

/**
 * Where a job stands, from its log alone: situation, gates, repair sheet, proof and stage. A pure function of its
 * inputs.
 */
final readonly class JobState implements Door
{
    /** Less than this at the tread turns with one finger (N; handbook). */
    private const ONE_FINGER_N = 25.0;

    /** @param GroupAt|null $repaired the repair group that opened this epoch */
    private function __construct(
        private Vehicle $vehicle,
        public Story $story,
        public Situation $situation,
        public ProofRun $proof,
        public Stage $stage,
        public ?GroupAt $repaired,
        private EpochState $epoch,
    ) {
    }

    /** @param SoundSignature|null $sound what a sound vehicle shows; null while that is still being computed */
    public static function of(Catalogue $catalogue, Layout $layout, ?SoundSignature $sound, Story $story): self
    {
        $epoch = EpochState::of($story->now()->entries->all(), $catalogue->checks, $sound, $layout);

        return self::at(new Vehicle($catalogue, $layout, $sound), $story, $epoch);
    }

    /**
     * The same job with one entry more, of the same vehicle: not for one that brings its figures.
     *
     * @param Entry<Payload> $entry the next one
     */
    public function with(Entry $entry): self
    {
        $story = $this->story->with($entry);
        $anew = \count($story->chapters) > \count($this->story->chapters)
            || $entry->payload instanceof UndoPayload
            || $entry->payload instanceof CountersignPayload
            || $this->epoch->isLate($entry);

        return self::at(
            $this->vehicle,
            $story,
            $anew
                ? $this->epoch->anew($story->now()->entries->all())
                : $this->epoch->with($story->now()->entries->from($this->story->now()->entries->count())),
        );
    }

    private static function at(Vehicle $vehicle, Story $story, EpochState $epoch): self
    {
        $catalogue = $vehicle->catalogue;
        $layout = $vehicle->layout;
        $changed = $story->last(RepairedPayload::class)?->payload->groups() ?? [];
        $repaired = $changed[0] ?? null;
        $now = $story->now();
        $sheet = [] === $changed ? null : Sheet::of($catalogue->repairs, $layout, $changed, $story->parts());
        $steps = OpenStep::all($sheet, $story);
        $wheels = array_filter($steps, static fn (OpenStep $one): bool => $one->isWheel());
        $left = [
            CriterionRule::OPEN_STEPS => OpenStep::ids(array_values(array_diff_key($steps, $wheels))),
            CriterionRule::SAFETY_ITEMS => self::safetyItems($story),
            CriterionRule::UNBLED => self::unbled($catalogue, $now, $changed),
        ];
        if (true === $sheet?->takesWheelsOff()) {
            $left[CriterionRule::WHEELS_LOOSE] = OpenStep::ids(array_values($wheels));
        }
        $driven = self::driven($layout);
        $drive = null === $repaired ? null : self::sameDrive($catalogue, $story);
        $book = $catalogue->proof->on($layout->reach(), $catalogue->checks);
        $proof = ProofRun::of($book, $epoch->readings, $left, self::waived($now), $changed, $drive, $driven);
        $open = self::standsOpen($catalogue, $book, $now, $changed, $epoch, $left, $driven);
        $car = $epoch->car($now, $open);
        $stage = self::stageOf($catalogue, $story, $changed, $proof);

        $situation = new Situation(
            $car,
            $epoch->readings,
            null === $repaired,
            $layout->reach(),
            new Complaint(
                $story->intake()->complaints ?? [],
                $story->intake()->pattern ?? '',
                true === $story->intake()?->arrival->stood,
            ),
            $epoch->cannot,
        );

        return new self($vehicle, $story, $situation, $proof, $stage, $repaired, $epoch);
    }

    public function catalogue(): Catalogue
    {
        return $this->vehicle->catalogue;
    }

    public function layout(): Layout
    {
        return $this->vehicle->layout;
    }

    public function story(): Story
    {
        return $this->story;
    }

    public function situation(): Situation
    {
        return $this->situation;
    }

    public function proof(): ProofRun
    {
        return $this->proof;
    }

    public function road(): Gate
    {
        return $this->catalogue()->gates->road($this->situation, $this->catalogue()->checks);
    }

    public function isPredicted(): bool
    {
        return null !== $this->vehicle->sound;
    }

    public function sound(): ?SoundSignature
    {
        return $this->vehicle->sound;
    }

    public function repaired(): ?GroupAt
    {
        return $this->repaired;
    }

    public function repairGroup(): ?GroupAt
    {
        return $this->story->finding()->payload->group ?? $this->repaired;
    }

    public function sheet(): ?Sheet
    {
        $finding = $this->story->finding()?->payload->group;
        $groups = null === $finding
            ? $this->story->last(RepairedPayload::class)?->payload->groups()
            : [$finding, ...array_map(static fn (LinePayload $line): GroupAt => $line->group, $this->story->lines())];

        return null === $groups
            ? null
            : Sheet::of($this->catalogue()->repairs, $this->layout(), $groups, $this->story->parts());
    }

    /** @return list<GroupAt> all that was changed in the visit that opened this epoch, the finding's first */
    public function changed(): array
    {
        return $this->story->last(RepairedPayload::class)?->payload->groups() ?? [];
    }

    /** @return list<OpenStep> of the sheet that opened this epoch: what is not done, not looked at again, or outside */
    public function openSteps(): array
    {
        $changed = $this->changed();

        return OpenStep::all(
            [] === $changed
                ? null
                : Sheet::of($this->catalogue()->repairs, $this->layout(), $changed, $this->story->parts()),
            $this->story,
        );
    }

    public function mayHandOver(): bool
    {
        return $this->proof->passed()
            && [] === self::safetyItems($this->story)
            && [] === $this->situation->car->apart;
    }

    /**
     * @param list<GroupAt> $changed
     *
     * @return list<string> what was opened in the repair and whose bleed is not logged
     */
    private static function unbled(Catalogue $catalogue, Chapter $now, array $changed): array
    {
        $opened = array_filter(
            $changed,
            static fn (GroupAt $one): bool => 'none' !== $catalogue->repairs->of($one)->opening->bleeds,
        );

        return $now->has(Kind::Bled) ? [] : array_values(array_map(strval(...), $opened));
    }

    /** @return list<string> wheels that turn their driveline along, so that one finger is not enough */
    private static function driven(Layout $layout): array
    {
        $driven = [];
        foreach ($layout->brakes as $corner => $brake) {
            if ($brake->lining->ownEffortN($layout->body->tyreRadiusM) > self::ONE_FINGER_N) {
                $driven[] = $corner;
            }
        }

        return $driven;
    }

    /** The drive whose four temperatures were taken in an earlier epoch, the last one of them. */
    private static function sameDrive(Catalogue $catalogue, Story $story): ?SameDrive
    {
        $drive = null;
        foreach (\array_slice($story->chapters, 0, -1) as $chapter) {
            foreach ($chapter->said(ReadingPayload::class) as $reading) {
                $words = $catalogue->checks->of($reading->check)->role->proves;
                $drive = [] === $words ? $drive : new SameDrive($reading->check, $words);
            }
        }

        return $drive;
    }

    /** @return list<string> ids of open items that bar the way */
    private static function safetyItems(Story $story): array
    {
        $items = [];
        foreach ($story->openItems() as $entry) {
            if ($entry->payload->safety) {
                $items[] = $entry->id;
            }
        }

        return $items;
    }

    /** @return array<string, string> reason by criterion */
    private static function waived(Chapter $chapter): array
    {
        $waived = [];
        foreach ($chapter->said(WaivePayload::class) as $waive) {
            $waived[$waive->criterion] = $waive->reason;
        }

        return $waived;
    }

    /**
     * Opened or eased, and the standing part of the proof not passed since: a firm pedal shows neither dry joints nor
     * tight nuts.
     *
     * @param array<string, list<string>> $left
     * @param list<string> $driven
     * @param list<GroupAt> $changed
     */
    private static function standsOpen(
        Catalogue $catalogue,
        ProofBook $book,
        Chapter $now,
        array $changed,
        EpochState $epoch,
        array $left,
        array $driven,
    ): bool {
        $open = [] !== array_filter($changed, $catalogue->repairs->opensSystem(...));
        $since = $epoch->openedAt;
        $after = null === $since ? $epoch->readings : array_values(array_filter(
            $epoch->readings,
            static fn (Reading $reading): bool => $reading->takenAt > $since,
        ));

        return ($open || null !== $since) && !ProofRun::of(
            $book,
            $after,
            $left,
            self::waived($now),
            $changed,
            null,
            $driven,
        )->standingPassed();
    }

    /** @param list<GroupAt> $changed */
    private static function stageOf(Catalogue $catalogue, Story $story, array $changed, ProofRun $proof): Stage
    {
        $now = $story->now();

        return match (true) {
            null === $story->intake() => Stage::Intake,
            $now->has(Kind::Handover), $now->has(Kind::Closed) => Stage::Done,
            null !== $story->finding() => Stage::Repair,
            [] === $changed => Stage::Bench,
            null !== $proof->failed() => Stage::Bench,
            [] !== self::unbled($catalogue, $now, $changed) => Stage::Bleed,
            default => Stage::Proof,
        };
    }
}
