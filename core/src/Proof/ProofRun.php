<?php

declare(strict_types=1);

namespace Rodrel\Core\Proof;

use Rodrel\Core\Isolation\Reading;
use Rodrel\Core\Vocabulary\CheckAt;
use Rodrel\Core\Vocabulary\Corner;
use Rodrel\Core\Vocabulary\GroupAt;
use Rodrel\Core\Vocabulary\Place;

/** The proof of an epoch, computed from its readings and its repair sheet. */
final readonly class ProofRun
{
    /** @param list<Criterion> $criteria in the order to take them */
    private function __construct(public array $criteria)
    {
    }

    /**
     * @param list<Reading> $readings of the epoch that the repair opened
     * @param array<string, list<string>> $left what is still open, by kind of computed criterion; no wheels-loose
     *     where no wheel was off
     * @param array<string, string> $waived criterion → reason
     * @param list<string> $driven rows of wheels whose own driveline is felt when they are turned
     * @param list<GroupAt> $changed what was repaired: some criteria are wanted after some repairs
     * @param SameDrive|null $drive null where no temperatures were taken before
     */
    public static function of(
        ProofBook $book,
        array $readings,
        array $left,
        array $waived,
        array $changed = [],
        ?SameDrive $drive = null,
        array $driven = [],
    ): self {
        $criteria = [];
        $read = [];
        foreach ($readings as $reading) {
            $read[(string) $reading->check] = $reading->outcomes + ($read[(string) $reading->check] ?? []);
        }
        foreach ($book->criteria as $rule) {
            $nothing = CriterionRule::WHEELS_LOOSE === $rule->computed && !isset($left[CriterionRule::WHEELS_LOOSE]);
            if ($nothing || !$rule->isWantedAfter($changed)) {
                continue;
            }
            $reason = $rule->neverWaived ? null : $waived[$rule->id] ?? null;
            if (null !== $rule->computed) {
                $open = $left[$rule->computed] ?? [];
                $status = [] === $open ? Criterion::PASSED : (null === $reason ? Criterion::OPEN : Criterion::WAIVED);
                $said = Criterion::WAIVED === $status ? $reason : null;
                $criteria[] = new Criterion($rule, $status, null, $open, $said);
            } elseif (null !== $rule->check) {
                $at = CheckAt::of($rule->check, Place::vehicle());
                $rows = $rule->rows;
                foreach (array_intersect($driven, array_keys($rows)) as $row) {
                    $rows[$row] = array_values(array_filter([...$rows[$row], $rule->driven], is_string(...)));
                }
                $criteria[] = self::read($rule, $at, $rows, $read[(string) $at] ?? [], $reason);
            } elseif (null !== $drive) {
                $ids = array_map(static fn (Corner $corner): string => $corner->value, Corner::cases());
                $rows = array_fill_keys($ids, $drive->words);
                $criteria[] = self::read($rule, $drive->check, $rows, $read[(string) $drive->check] ?? [], $reason);
            }
        }

        return new self($criteria);
    }

    public function criterion(string $id): ?Criterion
    {
        foreach ($this->criteria as $criterion) {
            if ($criterion->id === $id) {
                return $criterion;
            }
        }

        return null;
    }

    public function standingPassed(): bool
    {
        return $this->settled(true);
    }

    public function passed(): bool
    {
        return $this->settled(true) && $this->settled(false);
    }

    public function failed(): ?Criterion
    {
        foreach ($this->criteria as $criterion) {
            if (Criterion::FAILED === $criterion->status && null !== $criterion->check) {
                return $criterion;
            }
        }

        return null;
    }

    public function next(): ?Criterion
    {
        foreach ($this->criteria as $criterion) {
            if (!$criterion->isSettled()) {
                return $criterion;
            }
        }

        return null;
    }

    private function settled(bool $standing): bool
    {
        foreach ($this->criteria as $criterion) {
            if ($criterion->standing === $standing && !$criterion->isSettled()) {
                return false;
            }
        }

        return true;
    }

    /**
     * @param array<string, list<string>> $wanted
     * @param array<string, string> $read word by row of that check
     */
    private static function read(
        CriterionRule $rule,
        CheckAt $check,
        array $wanted,
        array $read,
        ?string $waived,
    ): Criterion {
        $missing = $wrong = [];
        foreach ($wanted as $row => $words) {
            $word = $read[$row] ?? null;
            if (null === $word) {
                $missing[] = $row;
            } elseif (!\in_array($word, $words, true)) {
                $wrong[] = $row;
            }
        }
        $status = [] !== $wrong ? Criterion::FAILED : ([] !== $missing ? Criterion::OPEN : Criterion::PASSED);
        if (Criterion::PASSED !== $status && null !== $waived) {
            $rows = [...$wrong, ...$missing];

            return new Criterion($rule, Criterion::WAIVED, $check, $rows, $waived);
        }

        return new Criterion($rule, $status, $check, [] !== $wrong ? $wrong : $missing);
    }
}
