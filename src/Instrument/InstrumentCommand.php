<?php

declare(strict_types=1);

namespace App\Instrument;

use App\Prediction\HiddenVehicles;
use Rodrel\Core\InvalidData;
use Rodrel\Core\Quantity\InstrumentReading;
use Rodrel\Core\Vocabulary\CheckAt;
use Symfony\Component\Clock\ClockInterface;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;

/** A simulated thermometer, gauge or tester: plays what a vehicle with a hidden fault would show, as a bridge. */
#[AsCommand('rodrel:instrument', 'Plays a simulated instrument on a vehicle with a hidden fault')]
final class InstrumentCommand extends Command
{
    public function __construct(
        private readonly HiddenVehicles $vehicles,
        private readonly SimulatedInstrument $instrument,
        private readonly ClockInterface $clock,
    ) {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this
            ->addOption('preset', null, InputOption::VALUE_REQUIRED, 'the vehicle', 'medium-car')
            ->addOption('suspect', null, InputOption::VALUE_REQUIRED, 'its hidden fault', 'hose.one-way@lf')
            ->addOption('grade', null, InputOption::VALUE_REQUIRED, 'which point of its severities', '0')
            ->addOption('check', null, InputOption::VALUE_REQUIRED, 'what is measured', 'heat-loop@vehicle')
            ->addOption('name', null, InputOption::VALUE_REQUIRED, 'how the instrument calls itself', 'Simulated 1')
            ->addOption('to', null, InputOption::VALUE_REQUIRED, 'address of the shop; none: the lines are printed', '')
            ->addOption('token', null, InputOption::VALUE_REQUIRED, 'its pairing token', '')
            ->addOption('wait', null, InputOption::VALUE_REQUIRED, 'seconds between two readings', '0');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $text = static fn (string $name): string => \is_string($input->getOption($name))
            ? $input->getOption($name) : '';
        try {
            $lines = $this->lines(
                $text('preset'),
                $text('suspect'),
                (int) $text('grade'),
                $text('check'),
                $text('name'),
            );
        } catch (InvalidData $wrong) {
            $output->writeln($wrong->path.': '.$wrong->getMessage());

            return 2;
        }
        foreach ($lines as $line) {
            if ('' === $text('to')) {
                $output->writeln($line);
                continue;
            }
            $said = $this->send(rtrim($text('to'), '/').'/instruments/readings', $text('token'), $line);
            $output->writeln($said ?? 'The shop did not take it: is its address right, and the token its latest?');
            if (null === $said) {
                return 1;
            }
            usleep((int) (1e6 * max(0.0, (float) $text('wait'))));
        }

        return 0;
    }

    /** What the shop answered; null where it refused or is not there. */
    private function send(string $url, string $token, string $line): ?string
    {
        $said = @file_get_contents($url, context: stream_context_create(['http' => [
            'method' => 'POST',
            'header' => "Authorization: Bearer $token\r\nContent-Type: application/x-ndjson",
            'content' => $line."\n",
            'timeout' => 5,
        ]]));

        return false === $said ? null : $said;
    }

    /** @return list<string> one for each row that takes a number */
    private function lines(string $preset, string $suspect, int $grade, string $check, string $name): array
    {
        $lines = [];
        $vehicle = $this->vehicles->of($preset, $suspect, $grade);
        foreach ($this->instrument->reads($vehicle, CheckAt::parse($check)) as [$unit, $figure]) {
            $lines[] = InstrumentReading::line($unit, $figure, $name, $this->clock->now());
        }

        return [] === $lines ? throw InvalidData::at('/check', 'this check takes no numbers') : $lines;
    }
}
