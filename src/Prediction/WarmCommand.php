<?php

declare(strict_types=1);

namespace App\Prediction;

use Rodrel\Core\Catalogue\Catalogue;
use Symfony\Component\Console\Attribute\Argument;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Attribute\Option;
use Symfony\Component\Console\Output\OutputInterface;
use Symfony\Component\Messenger\MessageBusInterface;

/** Gets the predictions of all presets ready. */
#[AsCommand('rodrel:warm', 'Computes the predictions of every preset that has none yet')]
final readonly class WarmCommand
{
    public function __construct(
        private Catalogue $catalogue,
        private Predictions $predictions,
        private MessageBusInterface $bus,
    ) {
    }

    /** @param list<string> $presets */
    public function __invoke(
        OutputInterface $output,
        #[Argument('only these; all when left out')] array $presets = [],
        #[Option('hand the work to the worker')] bool $later = false,
    ): int {
        foreach ([] !== $presets ? $presets : array_keys($this->catalogue->presets) as $preset) {
            if ($later) {
                $this->bus->dispatch(new ComputeSignature($this->catalogue->vehicle($preset)));
                continue;
            }
            [$signature, $computed] = $this->predictions->compute($this->catalogue->vehicle($preset));
            $said = \sprintf('%s: %d hypotheses, %d faults computed', $preset, $signature->particles, $computed);
            $output->writeln($said);
        }

        return 0;
    }
}
