<?php

declare(strict_types=1);

namespace App\Exchange;

use Rodrel\Core\Trial\Tally;
use Symfony\Component\Console\Attribute\Argument;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Style\SymfonyStyle;

/** Whether nine in ten of the findings that are given 90 % are right: from the jobs that rodrel:judge kept. */
#[AsCommand('rodrel:calibration', 'Holds belief against truth, from the lines that rodrel:judge --lines kept')]
final readonly class CalibrationCommand
{
    /** @param list<string> $files */
    public function __invoke(
        SymfonyStyle $io,
        #[Argument('files of lines from rodrel:judge --lines')] array $files,
    ): int {
        $findings = [];
        foreach ($files as $file) {
            if (!is_file($file)) {
                $io->error($file.' is not there; rodrel:judge --policy=rodrel --lines='.$file.' makes it.');

                return 2;
            }
            foreach (file($file, \FILE_IGNORE_NEW_LINES | \FILE_SKIP_EMPTY_LINES) ?: [] as $line) {
                $job = json_decode($line, true);
                if (\is_array($job) && 'rodrel' === ($job['policy'] ?? '') && '' !== ($job['signed'] ?? '')) {
                    $findings[] = [(float) $job['mass'], (bool) $job['right']];
                }
            }
        }
        $found = Tally::calibration($findings);
        $io->table(['belief from', 'findings', 'believed', 'right'], array_map(static fn (array $row): array => [
            \sprintf('%.2f', $row['from']),
            $row['n'],
            \sprintf('%.3f', $row['believed']),
            \sprintf('%.3f', $row['right']),
        ], $found['rows']));
        $io->writeln(\sprintf(
            '%d findings, calibration error %.3f, Brier score %.3f',
            \count($findings),
            $found['error'],
            $found['brier'],
        ));

        return 0;
    }
}
