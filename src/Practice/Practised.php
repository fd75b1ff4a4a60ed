<?php

declare(strict_types=1);

namespace App\Practice;

use App\Account\User;
use App\Text\Say;
use Doctrine\DBAL\Connection;
use Rodrel\Core\Shape;

/** What one person has practised so far: every ended job with its debrief, and what all of them come to. */
final readonly class Practised
{
    private const MOST = 200;
    private const RODREL = 'rodrel';

    public function __construct(private Connection $database, private Say $say)
    {
    }

    /** Whoever opened a job practised it; nobody sees another's. */
    public function of(User $user): PractisedPage
    {
        $kept = $this->database->fetchAllAssociative(
            'SELECT job.id, job.unit, job.opened_at, practice.own_head, practice.debrief FROM practice
                JOIN job ON job.id = practice.job_id
                JOIN job_entry AS first ON first.job_id = job.id AND first.seq = 1 AND first.author_id = :me
                WHERE practice.debrief IS NOT NULL ORDER BY job.opened_at DESC LIMIT '.self::MOST,
            ['me' => $user->id()->toRfc4122()],
        );
        $rows = [];
        foreach ($kept as $one) {
            $debrief = \is_string($one['debrief']) ? json_decode($one['debrief'], true) : null;
            if (\is_array($debrief) && \is_string($one['id']) && \is_string($one['opened_at'])) {
                $rows[] = $this->row($one['id'], $one['opened_at'], true === $one['own_head'], new Shape($debrief));
            }
        }

        return new PractisedPage(
            rows: $rows,
            jobs: \count($rows),
            right: \count(array_filter($rows, static fn (array $row): bool => $row['right'])),
            wrong: array_sum(array_column($rows, 'wrong')),
            ratio: $this->ratio($rows),
        );
    }

    /**
     * @return array{
     *     id: string, at: \DateTimeImmutable, own: bool, had: string, right: bool, wrong: int, minutes: int,
     *     rodrel: int
     * }
     */
    private function row(string $id, string $at, bool $own, Shape $debrief): array
    {
        $mine = $debrief->in('mine');
        $wrong = \count($mine->texts('wrong'));

        return [
            'id' => $id,
            'at' => new \DateTimeImmutable($at),
            'own' => $own,
            'had' => $this->say->group($debrief->text('truth')),
            'right' => $mine->flag('cured') && 0 === $wrong,
            'wrong' => $wrong,
            'minutes' => (int) round($mine->number('minutes')),
            'rodrel' => (int) round($debrief->in('others')->in(self::RODREL)->number('minutes')),
        ];
    }

    /**
     * One's own minutes against the advice's, of the jobs that were repaired rightly: the middle one; null for none.
     *
     * @param list<array{
     *     id: string, at: \DateTimeImmutable, own: bool, had: string, right: bool, wrong: int, minutes: int,
     *     rodrel: int
     * }> $rows
     */
    private function ratio(array $rows): ?float
    {
        $ratios = [];
        foreach ($rows as $row) {
            $ratios = $row['right'] && $row['rodrel'] > 0 ? [...$ratios, $row['minutes'] / $row['rodrel']] : $ratios;
        }
        sort($ratios);

        return [] === $ratios ? null : round($ratios[intdiv(\count($ratios) - 1, 2)], 1);
    }
}
