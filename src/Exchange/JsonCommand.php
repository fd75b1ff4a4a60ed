<?php

declare(strict_types=1);

namespace App\Exchange;

use Rodrel\Core\Catalogue\BrokenCatalogue;
use Rodrel\Core\CoreException;
use Rodrel\Core\InvalidData;
use Symfony\Component\Console\Output\ConsoleOutputInterface;
use Symfony\Component\Console\Output\OutputInterface;

/** What the JSON commands share: they print one document, or exit with 2 and the path of every error. */
abstract readonly class JsonCommand
{
    public const WRONG = 2;

    /** @param callable(): array<string, mixed> $work nothing is printed when it has nothing to say */
    protected function answer(OutputInterface $output, callable $work): int
    {
        $flags = \JSON_PRETTY_PRINT | \JSON_UNESCAPED_SLASHES | \JSON_UNESCAPED_UNICODE | \JSON_THROW_ON_ERROR;
        try {
            $answer = $work();
            if ([] !== $answer) {
                $output->writeln(json_encode($answer, $flags), OutputInterface::OUTPUT_RAW);
            }

            return 0;
        } catch (InvalidData|BrokenCatalogue $wrong) {
            $this->complain($output, $wrong->getMessage());
        } catch (CoreException $wrong) {
            $this->complain($output, '/: '.$wrong->getMessage());
        }

        return self::WRONG;
    }

    private function complain(OutputInterface $output, string $message): void
    {
        $to = $output instanceof ConsoleOutputInterface ? $output->getErrorOutput() : $output;
        $to->writeln($message, OutputInterface::OUTPUT_RAW);
    }
}
