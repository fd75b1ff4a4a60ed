<?php

declare(strict_types=1);

namespace Rodrel\Core\Job;

use Rodrel\Core\Catalogue;
use Rodrel\Core\Isolation\Belief;
use Rodrel\Core\Isolation\Field;
use Rodrel\Core\Isolation\Gate;
use Rodrel\Core\Isolation\Gates;
use Rodrel\Core\Isolation\Opening;
use Rodrel\Core\Isolation\Reading;
use Rodrel\Core\Isolation\Settings;
use Rodrel\Core\Isolation\Situation;
use Rodrel\Core\Isolation\Verdict;
use Rodrel\Core\Proof\ProofRun;
use Rodrel\Core\Repair\Procedure;

/** Everything that follows from a job's log: belief, gates, repair sheet, proof and stage. A pure function of its inputs. */
final readonly class JobState
{
    /** A part fitted lately is less likely worn, and still may be wrongly fitted or poorly rebuilt (estimate; 0.2 to 0.6). */
    private const RECENT_PART = 0.35;
    /** Air at a place that was opened, against its base weight (estimate; 3 to 15). */
    private const AIR_WHERE_OPENED = 6.0;
    /** Rust between lining and iron after weeks of standing, against daily use (estimate; 10 to 40). */
    private const STOOD = 20.0;
    /** After a bleed run a long pedal is less likely plain air and more likely air where the run does not reach (estimate; 0.1 to 0.4, 2 to 6). */
    private const AIR_AFTER_A_CLEAN_RUN = 0.25;
    private const AIR_BEYOND = 4.0;

    /**
     * @param Belief|null $belief   null while the predictions are still being computed
     * @param string|null $repaired the repair group that opened this epoch
     */
    private function __construct(
        public Story $story,
        public ?Field $field,
        public ?Belief $belief,
        public Situation $situation,
        public ProofRun $proof,
        public Stage $stage,
        public ?string $repaired,
        private Settings $settings,
    ) {
    }

    public static function of(Catalogue $catalogue, ?Field $field, Story $story, Settings $settings): self
    {
        $belief = null;
        $repaired = null;
        foreach ($story->chapters as $chapter) {
            $opened = self::openedPlaces($catalogue, $chapter);
            foreach ($chapter->all(Kind::Repaired) as $entry) {
                $repaired = $entry->shape()->text('group');
            }
            if (null !== $field) {
                $context = self::context($story, $opened, $chapter->has(Kind::Bled));
                $opening = null === $belief || null === $repaired
                    ? Opening::first($field, $context, $settings->secondFault)
                    : Opening::afterRepair($field, $belief, $repaired, $context, $settings->secondFaultAfterRepair);
                $belief = Belief::of($field, $opening, $chapter->readings($field));
            }
        }
        $now = $story->now();
        $readings = $now->readings($field);
        $proof = ProofRun::of($readings, self::openSteps($catalogue, $story, $repaired), self::safetyItems($story), self::waived($now), null === $repaired ? null : self::heatLoop($story));
        $opened = self::standsOpen($catalogue, $now, $repaired, $proof);

        return new self($story, $field, $belief, new Situation($now->lift, $now->stands, $opened, $now->cool, $readings, $now->drivenIn), $proof, self::stageOf($catalogue, $story, $repaired, $proof), $repaired, $settings);
    }

    public function verdict(): ?Verdict
    {
        return null === $this->belief ? null : Verdict::of($this->belief, $this->situation, $this->settings);
    }

    public function road(): Gate
    {
        return Gates::road($this->situation);
    }

    public function mayHandOver(): bool
    {
        return $this->proof->passed() && [] === self::safetyItems($this->story);
    }

    /** The repair group whose sheet is open: the signed finding's, else the one last carried out. */
    public function repairGroup(): ?string
    {
        $finding = $this->story->finding();

        return null !== $finding ? $finding->shape()->text('group') : $this->repaired;
    }

    /**
     * Required steps of a sheet that are not done, or done and not confirmed.
     *
     * @return list<string>
     */
    public static function openStepsOf(Procedure $procedure, Story $story, string $sheet): array
    {
        $open = [];
        foreach ($procedure->steps as $step) {
            $done = self::stepDone($story, $sheet, $step->id);
            if ($step->required && (null === $done || $step->holdPoint && !self::stepConfirmed($story, $done))) {
                $open[] = $step->id;
            }
        }

        return $open;
    }

    /** @param string $sheet the id of the finding that the repair sheet follows from */
    public static function stepDone(Story $story, string $sheet, string $step): ?Entry
    {
        $done = null;
        foreach ($story->all(Kind::Step) as $entry) {
            if ($entry->shape()->text('sheet') === $sheet && $entry->shape()->text('step') === $step) {
                $done = $entry;
            }
        }

        return $done;
    }

    public static function stepConfirmed(Story $story, Entry $done): bool
    {
        foreach ($story->all(Kind::Confirm) as $entry) {
            if ($entry->shape()->text('step') === $done->id) {
                return true;
            }
        }

        return false;
    }

    /** @return list<string> */
    private static function openSteps(Catalogue $catalogue, Story $story, ?string $repaired): array
    {
        if (null === $repaired) {
            return [];
        }
        $sheet = $story->last(Kind::Repaired)?->shape()->text('sheet') ?? '';

        return self::openStepsOf($catalogue->procedures[$catalogue->repair($repaired)->procedure], $story, $sheet);
    }

    /** The loop whose four temperatures were taken in an earlier epoch, the last one of them. */
    private static function heatLoop(Story $story): ?string
    {
        $loop = null;
        foreach (\array_slice($story->chapters, 0, -1) as $chapter) {
            foreach ($chapter->all(Kind::Reading) as $entry) {
                $check = explode('@', $entry->shape()->text('check'))[0];
                $loop = \in_array($check, ['heat-loop', 'brake-loop'], true) ? $check : $loop;
            }
        }

        return $loop;
    }

    /** @return list<string> */
    private static function safetyItems(Story $story): array
    {
        $items = array_filter($story->openItems(), static fn (Entry $entry): bool => $entry->shape()->flag('safety'));

        return array_values(array_map(static fn (Entry $entry): string => $entry->id, $items));
    }

    /** @return array<string, string> */
    private static function waived(Chapter $chapter): array
    {
        $waived = [];
        foreach ($chapter->all(Kind::Waive) as $entry) {
            $waived[$entry->shape()->text('criterion')] = $entry->shape()->text('reason');
        }

        return $waived;
    }

    /** @return list<string> */
    private static function openedPlaces(Catalogue $catalogue, Chapter $chapter): array
    {
        $places = $chapter->openedAt($catalogue);
        foreach ($chapter->all(Kind::Repaired) as $entry) {
            $group = $entry->shape()->text('group');
            if ($catalogue->repair($group)->opensSystem) {
                $place = explode('@', $group)[1];
                $at = match ($place) {
                    'vehicle' => ['lf', 'rf', 'lr', 'rr'],
                    'rear' => ['lr', 'rr'],
                    'front' => ['lf', 'rf'],
                    default => [$place],
                };
                $places = [...$places, ...$at];
            }
        }

        return array_values(array_unique($places));
    }

    /**
     * @param list<string> $opened
     *
     * @return array<string, float>
     */
    private static function context(Story $story, array $opened, bool $bled): array
    {
        $context = [];
        foreach ($opened as $place) {
            $context['air.wheel@'.$place] = self::AIR_WHERE_OPENED * ($bled ? self::AIR_AFTER_A_CLEAN_RUN : 1.0);
            $context['air.modulator@'.$place] = $bled ? self::AIR_BEYOND : 1.0;
        }
        if (true === $story->intake()?->shape()->flag('stood')) {
            $context['standing'] = self::STOOD;
        }
        foreach ($story->intake()?->shape()->each('parts') ?? [] as $part) {
            $context[$part->text('part').'@'.$part->text('place')] = self::RECENT_PART;
            $context['fitted:'.$part->text('part').'@'.$part->text('place')] = $context['fitted:'.$part->text('part')] = 1.0;
        }

        return $context;
    }

    /** Opened, and neither the pedal proved since (before a repair) nor the standing proof passed (after one). */
    private static function standsOpen(Catalogue $catalogue, Chapter $now, ?string $repaired, ProofRun $proof): bool
    {
        if (null !== $repaired) {
            return ($catalogue->repair($repaired)->opensSystem || [] !== $now->openedAt($catalogue)) && !$proof->standingPassed();
        }
        $open = false;
        foreach ($now->all(Kind::Reading) as $entry) {
            $check = $entry->shape()->text('check');
            $open = 'pedal@vehicle' === $check ? false : $open || null !== $catalogue->check($check)->opens;
        }

        return $open;
    }

    private static function stageOf(Catalogue $catalogue, Story $story, ?string $repaired, ProofRun $proof): Stage
    {
        $now = $story->now();

        return match (true) {
            null === $story->intake() => Stage::Intake,
            $now->has(Kind::Handover) => Stage::Done,
            null !== $story->finding() => Stage::Repair,
            null === $repaired => Stage::Bench,
            null !== $proof->failed() => Stage::Bench,
            'none' !== $catalogue->repair($repaired)->bleeds && !$now->has(Kind::Bled) => Stage::Bleed,
            default => Stage::Proof,
        };
    }

    /** @return list<Reading> */
    public function readings(): array
    {
        return $this->situation->readings;
    }
}
