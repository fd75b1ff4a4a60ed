<?php

declare(strict_types=1);

namespace Rodrel\Core\Trial;

use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Check\Check;
use Rodrel\Core\Isolation\Costs;
use Rodrel\Core\Isolation\Field;
use Rodrel\Core\Isolation\Planner;
use Rodrel\Core\Isolation\Proposal;
use Rodrel\Core\Isolation\Settings;
use Rodrel\Core\Job\Diagnosis;
use Rodrel\Core\Job\JobState;
use Rodrel\Core\Log\Entry;
use Rodrel\Core\Log\Kind;
use Rodrel\Core\Log\Payload\OverridePayload;
use Rodrel\Core\Log\Payload\Payload;
use Rodrel\Core\Log\Payload\ReadingPayload;
use Rodrel\Core\Log\Payload\RepairedPayload;
use Rodrel\Core\Log\Payload\RoundPayload;
use Rodrel\Core\Log\Story;
use Rodrel\Core\Prediction\SoundSignature;
use Rodrel\Core\Vehicle\Layout;
use Rodrel\Core\Vocabulary\CheckAt;
use Rodrel\Core\Vocabulary\GroupAt;

/**
 * A finished job gone through once more with its truth known: what each check told, what it could have told, what would
 * have told more. It judges by the belief of the moment and never by the answer: a good question with a dull answer was
 * a good question.
 */
final readonly class Retrace
{
    /** No difference that anybody could know of (minor units; estimate). */
    private const NO_MATTER_CENTS = 50.0;

    /**
     * @param list<Move> $moves
     * @param list<string> $wrong repairs that were carried out and cured nothing
     * @param float $minutes of all checks with the way to them
     * @param float $wrongCents parts and work of the wrong repairs, with a comeback each
     * @param int $forced gates that were opened by a word
     */
    private function __construct(
        public array $moves,
        public array $wrong,
        public bool $cured,
        public float $minutes,
        public float $wrongCents,
        public int $forced,
    ) {
    }

    /**
     * @param list<Entry<Payload>> $log of the whole job, by seq
     * @param GroupAt $truth the repair that cures it
     */
    public static function of(
        Catalogue $catalogue,
        Layout $layout,
        SoundSignature $sound,
        Field $field,
        Settings $settings,
        array $log,
        GroupAt $truth,
    ): self {
        $keeping = $catalogue->checks->keeping();
        $story = Story::of($log, $keeping);
        $moves = $wrong = [];
        $minutes = $wrongCents = 0.0;
        $cured = false;
        $state = JobState::of($catalogue, $layout, $sound, Story::of([], $keeping));
        // what was taken back was a slip of the hand
        $standing = array_column($story->entries(), null, 'id');
        foreach ($log as $entry) {
            if (!isset($standing[$entry->id])) {
                continue;
            }
            $readings = match (true) {
                $entry->payload instanceof ReadingPayload => [$entry->payload],
                $entry->payload instanceof RoundPayload => $entry->payload->answers,
                default => [],
            };
            $next = $state->with($entry);
            $wasted = $cured || Kind::Intake === $entry->kind ? [] : $readings;
            if ([] !== $wasted) {
                $before = Diagnosis::of($field, $state, $settings);
                $after = Diagnosis::of($field, $next, $settings)->belief->group($truth);
                foreach ($wasted as $reading) {
                    $move = self::move($catalogue, $before, $state, $settings, $reading->check, $truth, $after);
                    $minutes += $move->mine->minutes;
                    $moves[] = $move;
                }
            }
            foreach ($entry->payload instanceof RepairedPayload ? $entry->payload->groups() : [] as $n => $group) {
                $right = $group->is($truth);
                $cured = $cured || $right;
                if (0 === $n && !$right) {
                    $wrong[] = (string) $group;
                    $wrongCents += Costs::ofGroup($field->knowledge->cures, $settings, $group)
                        + $settings->labour->comebackCents;
                }
            }
            $state = $next;
        }
        $forced = \count($story->entriesOf(OverridePayload::class));

        return new self($moves, $wrong, $cured, $minutes, $wrongCents, $forced);
    }

    /** @return list<Move> the costliest first, those that cost nothing left out */
    public function costliest(int $most): array
    {
        $moves = array_values(array_filter($this->moves, static fn (Move $one): bool => $one->lostCents > 0.0));
        usort($moves, static fn (Move $a, Move $b): int => $b->lostCents <=> $a->lostCents);

        return \array_slice($moves, 0, $most);
    }

    private static function move(
        Catalogue $catalogue,
        Diagnosis $before,
        JobState $state,
        Settings $settings,
        CheckAt $at,
        GroupAt $truth,
        float $after,
    ): Move {
        $planner = new Planner($before->belief, $settings);
        $now = $state->situation;
        $check = $catalogue->checks->of($at);
        $mine = $planner->weigh($check, $at->place, $now);
        $best = $before->verdict()->next;
        $best = null === $best || $best->at->is($at) ? null : $planner->weigh(
            $best->check,
            $best->at->place,
            $now,
            $best->rows,
        );
        $lost = null === $best || self::isOwed($catalogue, $check) ? 0.0 : self::worth($best) - self::worth($mine);
        [$leader, $leads] = $before->belief->leader();

        $asked = static fn (Proposal $one): Question => new Question(
            (string) $one->at,
            $one->worth->minutes,
            $one->worth->bits,
        );

        return new Move(
            $asked($mine),
            null === $best ? null : $asked($best),
            (string) $leader,
            $leads,
            $before->belief->group($truth),
            $after,
            $lost > self::NO_MATTER_CENTS ? $lost : 0.0,
        );
    }

    /** The first look, and what a gate asks to see, are never a waste. */
    private static function isOwed(Catalogue $catalogue, Check $check): bool
    {
        if (null !== $check->demand->turn->first) {
            return true;
        }
        foreach ($catalogue->gates->rules as $rule) {
            foreach ($rule->conditions as $condition) {
                foreach ($condition->reads() as $read) {
                    if ($read->check === $check->id) {
                        return true;
                    }
                }
            }
        }

        return false;
    }

    private static function worth(Proposal $proposal): float
    {
        return $proposal->worth->score;
    }
}
