<?php

declare(strict_types=1);

namespace Rodrel\Core\Trial\Exam;

use Rodrel\Core\Isolation\Verdict;
use Rodrel\Core\Trial\Play;
use Rodrel\Core\Vocabulary\CheckAt;
use Rodrel\Core\Vocabulary\Place;

/**
 * One job of the examination, played as the program says, until it names what to repair or lets the vehicle go.
 *
 * @phpstan-type Marked array{
 *     id: string, good: bool, two: bool, status: string, said: string, right: string, second: bool, wrong_second: bool,
 *     verdict: string, belief: float, minutes: float, technician: float, acts: int, strange: list<string>,
 *     never: list<string>, repeats: int, refused: int, unsafe: int, trace: list<string>
 * }
 */
final class Sitting
{
    /** More acts than this before a name is said, and it is undecided. */
    public const ACTS = 30;
    private const NOTHING = 'none';
    private const STILL = 'complaint-again';
    private const STAYS = 'stays';

    /** @var list<string> repairs named, in order; '' for a vehicle that is let go */
    private array $named = [];
    private float $firstMinutes = 0.0;
    private int $repeats = 0;
    /** @var list<string> */
    private array $trace = [];
    private string $verdict = '';
    private float $belief = 0.0;

    private function __construct(private readonly Written $job, private readonly Play $play)
    {
    }

    /**
     * @param array{sensible: list<string>, never: list<string>} $list
     *
     * @return Marked how it ended, flat, for a line of JSON
     */
    public static function of(Written $job, Play $play, array $list): array
    {
        $one = new self($job, $play);
        $one->play();

        return $one->marks($list);
    }

    private function play(): void
    {
        $two = [] !== $this->job->truth->also;
        $first = $this->look();
        $this->firstMinutes = $this->play->minutes;
        $this->named[] = $this->say($first);
        $group = $first?->repair;
        if (!$two || null === $group || !\in_array((string) $group, $this->job->truth->cures(), true)) {
            return;
        }
        $this->play->repair($group);
        $second = $this->look();
        if (null === $second?->repair || self::NOTHING === $second->repair->id) {
            // whoever drives it says that the complaint is still there
            $this->play->make(CheckAt::of(self::STILL, Place::vehicle()));
            $second = $this->look();
        }
        $this->named[] = $this->say($second);
    }

    /** Until the verdict is to repair or to let it go; null where it came to neither. */
    private function look(): ?Verdict
    {
        $from = $this->play->acts;
        $made = [];
        while (true) {
            $verdict = $this->play->diagnosis()->verdict();
            $this->verdict = $verdict->reason;
            [$leader, $mass] = $this->play->diagnosis()->belief->leader();
            $this->belief = $mass;
            $this->trace[] = \sprintf(
                '%5.0f %-12s %s=%.2f second=%.2f | %s%s',
                $this->play->minutes,
                $verdict->reason,
                $leader,
                $mass,
                $this->play->diagnosis()->belief->second(),
                $verdict->next->at ?? $verdict->repair ?? '-',
                isset($made[(string) $verdict->next?->at]) ? ' AGAIN' : '',
            );
            if (null === $verdict->next) {
                return $verdict;
            }
            if ($this->play->acts - $from >= self::ACTS) {
                return null;
            }
            $this->repeats += (int) isset($made[(string) $verdict->next->at]);
            $made[(string) $verdict->next->at] = true;
            $this->play->make($verdict->next->at);
        }
    }

    private function say(?Verdict $verdict): string
    {
        $repair = $verdict?->repair;

        return match (true) {
            // a vehicle that stays in the shop is not let go, and nothing was named
            null === $verdict, self::STAYS === $verdict->reason => 'undecided',
            null === $repair || self::NOTHING === $repair->id => '',
            default => (string) $repair,
        };
    }

    /**
     * @param array{sensible: list<string>, never: list<string>} $list
     *
     * @return Marked
     */
    private function marks(array $list): array
    {
        $two = [] !== $this->job->truth->also;
        $cures = $this->job->truth->cures();
        $one = $this->named[0];
        $second = false;
        if (isset($this->named[1])) {
            $truth = $this->job->truth;
            $left = \in_array($one, $truth->right, true) ? $truth->also : $truth->right;
            $second = \in_array($this->named[1], $left, true);
        }
        $good = [] === $this->job->truth->right;
        $status = match (true) {
            'undecided' === $one => 'open',
            '' === $one => $good ? 'let-go' : 'missed',
            !\in_array($one, $cures, true) => 'wrong',
            $two && !$second => 'part',
            default => 'right',
        };
        $ids = array_map(static fn (string $check): string => CheckAt::parse($check)->id, $this->play->path);
        $strange = static fn (string $id): bool => !\in_array($id, $list['sensible'], true);

        return [
            'id' => $this->job->id,
            'good' => $good,
            'two' => $two,
            'status' => $status,
            'said' => implode(' then ', array_map(
                static fn (string $said): string => '' === $said ? 'nothing' : $said,
                $this->named,
            )),
            'right' => implode(' ', $this->job->truth->right).($two ? ' + '.implode(' ', $this->job->truth->also) : ''),
            'second' => $second,
            'wrong_second' => isset($this->named[1])
                && !$second
                && !\in_array($this->named[1], ['', 'undecided'], true),
            'verdict' => $this->verdict,
            'belief' => round($this->belief, 3),
            'minutes' => round($two ? $this->play->minutes : $this->firstMinutes, 1),
            'technician' => $this->job->truth->minutes,
            'acts' => $this->play->acts,
            'strange' => array_values(array_filter($ids, $strange)),
            'never' => array_values(array_intersect($ids, $list['never'])),
            'repeats' => $this->repeats,
            'refused' => $this->play->refused,
            'unsafe' => $this->play->unsafe,
            'trace' => $this->trace,
        ];
    }
}
