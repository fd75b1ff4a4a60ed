<?php

declare(strict_types=1);

namespace App\Exchange;

use Rodrel\Core\CoreException;
use Rodrel\Core\InvalidData;
use Symfony\Component\Console\Output\ConsoleOutputInterface;
use Symfony\Component\Console\Output\OutputInterface;

/** What the JSON commands share: they print one document, or exit with 2 and the path of the error. */
abstract readonly class JsonCommand
{
    public const WRONG = 2;

    /** @param callable(): array<string, mixed> $work */
    protected function answer(OutputInterface $output, callable $work): int
    {
        try {
            $output->writeln((string) json_encode($work(), \JSON_PRETTY_PRINT | \JSON_UNESCAPED_SLASHES | \JSON_UNESCAPED_UNICODE | \JSON_THROW_ON_ERROR), OutputInterface::OUTPUT_RAW);

            return 0;
        } catch (InvalidData $wrong) {
            $this->complain($output, $wrong->getMessage());
        } catch (CoreException $wrong) {
            $this->complain($output, '/: '.$wrong->getMessage());
        }

        return self::WRONG;
    }

    private function complain(OutputInterface $output, string $message): void
    {
        ($output instanceof ConsoleOutputInterface ? $output->getErrorOutput() : $output)->writeln($message, OutputInterface::OUTPUT_RAW);
    }
}
