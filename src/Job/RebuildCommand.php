<?php

declare(strict_types=1);

namespace App\Job;

use Doctrine\DBAL\Connection;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Attribute\Option;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Output\OutputInterface;

/** Makes the lines of the list again from the logs, and says which ones stood there otherwise. */
#[AsCommand('rodrel:rebuild', 'Makes the list of jobs again from their logs and compares it with what stood there.')]
final readonly class RebuildCommand
{
    public function __construct(private Connection $database, private Projector $projector)
    {
    }

    public function __invoke(
        OutputInterface $output,
        #[Option('only what other code, rules or texts made, by the worker')] bool $later = false,
    ): int {
        if ($later) {
            $this->projector->outdated();

            return Command::SUCCESS;
        }
        $other = 0;
        $ids = array_map(strval(...), $this->database->fetchFirstColumn('SELECT id FROM job ORDER BY id'));
        foreach ($ids as $id) {
            $before = $this->line($id);
            $this->projector->project($id);
            $now = $this->line($id);
            if ($before !== $now) {
                ++$other;
                $changed = array_filter(
                    array_keys($now),
                    static fn (string $key): bool => ($before[$key] ?? null) !== $now[$key],
                );
                $output->writeln("$id: ".implode(', ', $changed));
            }
        }
        $output->writeln(\sprintf('%d lines made again, %d stood otherwise', \count($ids), $other));

        return Command::SUCCESS;
    }

    /** @return array<string, mixed> */
    private function line(string $id): array
    {
        return $this->database->fetchAssociative('SELECT * FROM job_line WHERE job_id = ?', [$id]) ?: [];
    }
}
