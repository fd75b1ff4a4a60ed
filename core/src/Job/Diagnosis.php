<?php

declare(strict_types=1);

namespace Rodrel\Core\Job;

use Rodrel\Core\Isolation\Belief;
use Rodrel\Core\Isolation\Context;
use Rodrel\Core\Isolation\Couples;
use Rodrel\Core\Isolation\Field;
use Rodrel\Core\Isolation\Judgement;
use Rodrel\Core\Isolation\Opening;
use Rodrel\Core\Isolation\Reading;
use Rodrel\Core\Isolation\Settings;
use Rodrel\Core\Isolation\Verdict;
use Rodrel\Core\Log\Chapter;
use Rodrel\Core\Log\EpochState;
use Rodrel\Core\Log\Kind;
use Rodrel\Core\Log\Payload\FittedPart;
use Rodrel\Core\Log\Payload\RepairedPayload;
use Rodrel\Core\Log\Story;
use Rodrel\Core\Prediction\PairShelf;
use Rodrel\Core\Vocabulary\Corner;
use Rodrel\Core\Vocabulary\Part;
use Rodrel\Core\Vocabulary\PartAt;
use Rodrel\Core\Vocabulary\Place;
use Rodrel\Core\Vocabulary\SuspectAt;

/** What is believed of a job, epoch by epoch. */
final readonly class Diagnosis
{
    /** Air at a place that was opened, against its base weight (estimate; 3 to 15). */
    private const AIR_WHERE_OPENED = 6.0;
    /** Rust between lining and iron after weeks of standing, against daily use (estimate; 10 to 40). */
    private const STOOD = 20.0;
    /** What was driven in just now turns: rust has let go of it (estimate; 0.02 to 0.2). */
    private const DRIVEN = 0.05;
    /**
     * After a bleed run a long pedal is less likely plain air and more likely air where the run does not reach
     * (estimate; 0.1 to 0.4, 2 to 6).
     */
    private const AIR_AFTER_A_CLEAN_RUN = 0.25;
    private const AIR_BEYOND = 4.0;

    private function __construct(public Belief $belief, private JobState $state, private Settings $settings)
    {
    }

    public static function of(Field $field, JobState $state, Settings $settings, ?PairShelf $shelf = null): self
    {
        $couples = [];
        foreach (null === $shelf ? [] : self::beliefs($field, $state, $settings) as $belief) {
            $couples += Couples::of($belief);
        }
        $joined = null === $shelf ? $field : Couples::join($field, $couples, $shelf);
        $beliefs = self::beliefs($joined, $state, $settings);

        return new self($beliefs[\count($beliefs) - 1], $state, $settings);
    }

    /** What was believed from the driver's words alone, before anything was looked at. */
    public static function told(Field $field, JobState $state, Settings $settings): Belief
    {
        $first = self::beliefs($field, $state, $settings)[0];
        $checks = $state->catalogue()->checks;
        $said = array_filter($first->readings, static fn (Reading $one): bool => $checks->of($one->check)->role->asked);

        return Belief::of($field, $first->opening, array_values($said));
    }

    /** @return non-empty-list<Belief> of each epoch */
    private static function beliefs(Field $field, JobState $state, Settings $settings): array
    {
        $beliefs = [];
        $repaired = [];
        $checks = $state->catalogue()->checks;
        foreach ($state->story->chapters as $n => $chapter) {
            foreach ($chapter->said(RepairedPayload::class) as $payload) {
                $repaired = $payload->groups();
            }
            $context = self::context($state, $chapter);
            $opening
                = 0 === $n || [] === $repaired
                    ? Opening::first(
                        $field,
                        $context,
                        $settings->secondFault->before,
                        self::soundTold($field, $state),
                    )
                    : Opening::afterRepair(
                        $field,
                        $beliefs[$n - 1],
                        $repaired,
                        $context,
                        $settings->secondFault->afterRepair,
                    );
            $read = EpochState::of($chapter->entries->all(), $checks, $state->sound(), $state->layout());
            $beliefs[] = Belief::of($field, $opening, $read->readings);
        }

        return $beliefs;
    }

    /** Chance that nothing is wrong, of vehicles of which the driver says what he said. */
    private static function soundTold(Field $field, JobState $state): ?float
    {
        $intake = $state->story->intake();

        return null === $intake ? null : $field->knowledge->routes->sound(
            $intake->complaints,
            $intake->pattern,
            $intake->arrival->stood,
            $intake->arrival->drivenIn,
        );
    }

    public function verdict(): Verdict
    {
        return Verdict::of($this->belief, $this->state->situation, $this->settings);
    }

    public function judgement(): Judgement
    {
        return Judgement::of(
            $this->belief,
            $this->state->situation,
            $this->settings,
            self::fitted($this->state->story),
        );
    }

    /** @return list<PartAt> parts fitted lately, as the intake says */
    public static function fitted(Story $story): array
    {
        return array_map(static fn (FittedPart $fitted): PartAt => $fitted->part, $story->intake()?->fitted() ?? []);
    }

    private static function context(JobState $state, Chapter $chapter): Context
    {
        $context = Context::none();
        $bled = $chapter->has(Kind::Bled);
        foreach (self::openedAt($state, $chapter) as $place) {
            $air = self::AIR_WHERE_OPENED * ($bled ? self::AIR_AFTER_A_CLEAN_RUN : 1.0);
            $context = $context->withSuspect(SuspectAt::of('air.wheel', $place), $air);
            $beyond = SuspectAt::of('air.modulator', $state->layout()->hoseOf($place));
            $context = $bled ? $context->withSuspect($beyond, self::AIR_BEYOND) : $context;
        }
        $arrival = $state->story->intake()?->arrival;
        if (true === $arrival?->stood) {
            $context = $context->withPart(Part::of('standing'), self::STOOD);
        } elseif (true === $arrival?->drivenIn) {
            $context = $context->withPart(Part::of('standing'), self::DRIVEN);
        }
        foreach ($state->story->intake()?->fitted() ?? [] as $fitted) {
            $context = $context->withFitted($fitted->part, (float) $fitted->weeks);
        }
        foreach ($arrival->linings ?? [] as $corner => $leftMm) {
            $context = $context->withLining(Corner::from($corner), $leftMm);
        }

        return $context;
    }

    /** @return list<Corner> wheels whose lines were opened for a reading or a repair in this epoch */
    private static function openedAt(JobState $state, Chapter $chapter): array
    {
        $places = $chapter->openedAt($state->catalogue()->checks);
        foreach ($chapter->said(RepairedPayload::class) as $repaired) {
            foreach (array_filter($repaired->groups(), $state->catalogue()->repairs->opensSystem(...)) as $group) {
                $places[] = $group->place;
            }
        }
        $wheels = [];
        foreach ($places as $place) {
            foreach (Corner::cases() as $corner) {
                if ($state->layout()->reaches($place, Place::at($corner))) {
                    $wheels[$corner->value] = $corner;
                }
            }
        }

        return array_values($wheels);
    }
}
