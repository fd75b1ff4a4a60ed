<?php

declare(strict_types=1);

namespace App\Exchange;

use Doctrine\DBAL\Connection;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Output\OutputInterface;

/**
 * A backup's data into an empty database that our own migrations have made. Of what is read only the lines of known
 * tables are taken, by COPY: no statement of the file is ever run. Then it is checked as a whole; nothing is kept of
 * what fails.
 */
#[AsCommand('rodrel:copy-in', 'Takes the data of a backup, as pg_restore writes it, from standard input.')]
final readonly class CopyInCommand
{
    /** What a shop makes anew by itself, or must not bring along; a file of ours holds no lines of them any more. */
    private const LEFT_OUT = [
        'doctrine_migration_versions', 'judgement', 'login_slowdown', 'messenger_messages', 'sessions', 'signature',
    ];
    private const BELONGS = [
        ['job', 'vehicle_id', 'vehicle'], ['job_entry', 'job_id', 'job'], ['job_line', 'job_id', 'job'],
        ['photo', 'job_id', 'job'], ['job_entry', 'author_id', 'person'],
    ];
    private const HEADER = '/^COPY public\.([a-z_]+) \(([a-z0-9_, "]+)\) FROM stdin;$/';
    private const BLOCK_BYTES = 4_000_000;

    public function __construct(private Connection $database)
    {
    }

    public function __invoke(OutputInterface $output): int
    {
        $wrong
            = 0 === $this->database->fetchOne('SELECT count(*) FROM job_entry')
                ? $this->take(\STDIN) ?? $this->check()
                : 'there are jobs in this database already';
        if (null !== $wrong) {
            $output->writeln($wrong);

            return Command::FAILURE;
        }

        return Command::SUCCESS;
    }

    /**
     * @param resource $from
     *
     * @return string|null what is wrong with it
     */
    public function take($from): ?string
    {
        $known = [];
        $columns = $this->database->fetchAllNumeric(
            "SELECT table_name, column_name FROM information_schema.columns WHERE table_schema = 'public'",
        );
        foreach ($columns as [$table, $column]) {
            $known[$table][] = $column;
        }
        // in their order in the file nothing refers to what is there already; what refers to nothing is found below
        $this->database->executeStatement('SET session_replication_role = replica');
        // what a migration put there is the file's to say
        $this->database->executeStatement(
            'TRUNCATE '.implode(', ', array_diff(array_keys($known), self::LEFT_OUT)).' CASCADE',
        );
        $taken = [];
        while (false !== ($line = fgets($from))) {
            if (1 !== preg_match(self::HEADER, rtrim($line, "\r\n"), $header)) {
                continue;
            }
            [, $table, $columns] = $header;
            $columns = explode(', ', str_replace('"', '', $columns));
            if (!isset($known[$table])) {
                return "it holds a table that no shop has: $table";
            }
            if ([] !== array_diff($columns, $known[$table])) {
                return "its table $table has columns that no shop has";
            }
            $wrong = $this->lines($from, $table, $columns, !\in_array($table, self::LEFT_OUT, true));
            if (null !== $wrong) {
                return $wrong;
            }
            $taken[$table] = true;
        }
        $this->database->executeStatement('SET session_replication_role = origin');
        $missing = array_diff(['job', 'job_entry', 'person', 'photo', 'vehicle'], array_keys($taken));

        return [] === $missing ? null : 'these tables are not in it: '.implode(', ', $missing);
    }

    /**
     * @param resource $from
     * @param list<string> $columns
     */
    private function lines($from, string $table, array $columns, bool $wanted): ?string
    {
        $rows = [];
        $bytes = 0;
        while (true) {
            $line = fgets($from);
            if (false === $line) {
                return "it ends in the middle of the table $table";
            }
            $line = rtrim($line, "\r\n");
            $last = '\.' === $line;
            if (!$last) {
                $rows[] = $line;
                $bytes += \strlen($line);
            }
            if ($last || $bytes > self::BLOCK_BYTES) {
                try {
                    if ($wanted && [] !== $rows) {
                        $this->copy($table, $columns, $rows);
                    }
                } catch (\PDOException $wrong) {
                    return "its table $table cannot be read: ".strtok($wrong->getMessage(), "\n");
                }
                $rows = [];
                $bytes = 0;
            }
            if ($last) {
                return null;
            }
        }
    }

    /**
     * @param list<string> $columns
     * @param non-empty-list<string> $rows in PostgreSQL's own text form
     */
    private function copy(string $table, array $columns, array $rows): void
    {
        $pdo = $this->database->getNativeConnection();
        $pdo instanceof \PDO || throw new \LogicException('PostgreSQL is reached through PDO.');
        $quoted = implode(',', array_map(static fn (string $one): string => '"'.$one.'"', $columns));
        $pdo->pgsqlCopyFromArray($table, $rows, "\t", '\\\\N', $quoted);
    }

    /** @return string|null what does not hold together in what was taken */
    public function check(): ?string
    {
        foreach (self::BELONGS as [$here, $by, $there]) {
            $lost = $this->database->fetchOne(
                "SELECT count(*) FROM $here h WHERE NOT EXISTS (SELECT FROM $there t WHERE t.id = h.$by)",
            );
            if (0 !== $lost) {
                return "$lost lines of $here belong to nothing in $there";
            }
        }
        $gaps = $this->database->fetchOne(<<<'SQL'
            SELECT job_id FROM job_entry GROUP BY job_id HAVING min(seq) <> 1 OR max(seq) <> count(*) LIMIT 1
            SQL);
        if (\is_string($gaps)) {
            return "the log of job $gaps has a gap";
        }
        $admins = "SELECT count(*) FROM person WHERE role = 'admin' AND retired_at IS NULL";
        if (0 === $this->database->fetchOne($admins)) {
            return 'nobody in it may administer the shop';
        }
        $numbered = $this->database->fetchAllAssociative(<<<'SQL'
            SELECT table_name AS of, column_name AS number FROM information_schema.columns
            WHERE table_schema = 'public' AND pg_get_serial_sequence(quote_ident(table_name), column_name) IS NOT NULL
            SQL);
        foreach ($numbered as ['of' => $table, 'number' => $column]) {
            $next = "coalesce(max($column), 0) + 1";
            $this->database->executeStatement(
                "SELECT setval(pg_get_serial_sequence('$table', '$column'), $next, false) FROM $table",
            );
        }

        return null;
    }
}
