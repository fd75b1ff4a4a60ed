<?php

declare(strict_types=1);

namespace App\Exchange;

use App\Catalogue\CatalogueLoader;
use Rodrel\Core\Catalogue;
use Rodrel\Core\Check\Check;
use Rodrel\Core\Fault\Fault;
use Rodrel\Core\Fault\Particles;
use Rodrel\Core\Vehicle\Layout;
use Symfony\Component\Console\Attribute\Argument;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Output\OutputInterface;

/** Checks a catalogue and says what is in it: the shipped one, or a document with the same files by name. */
#[AsCommand('rodrel:catalogue', 'Checks the catalogue and lists what it holds (JSON in and out)')]
final readonly class CatalogueCommand extends JsonCommand
{
    public function __construct(private Documents $documents, private CatalogueLoader $loader)
    {
    }

    public function __invoke(OutputInterface $output, #[Argument('a file, - for standard input; the shipped one when left out')] ?string $document = null): int
    {
        return $this->answer($output, function () use ($document): array {
            /** @var array{faults: array<mixed>, checks: array<mixed>, repairs: array<mixed>, procedures: array<mixed>, presets: array<mixed>, drives: array<mixed>, bleeding: array<mixed>}|null $given */
            $given = null === $document ? null : $this->documents->read($document, 'catalogue');

            return $this->summary(null === $given ? $this->loader->load() : Catalogue::fromArray($given));
        });
    }

    /** @return array<string, mixed> */
    private function summary(Catalogue $catalogue): array
    {
        $presets = [];
        foreach ($catalogue->presets as $id => $preset) {
            $layout = Layout::fromArray($preset, '/presets/presets/'.$id);
            $checks = 0;
            foreach ($catalogue->checks as $check) {
                $checks += \count($check->places->in($layout));
            }
            $presets[$id] = ['hypotheses' => \count(Particles::of($catalogue, $layout)), 'checks' => $checks];
        }

        return [
            'format' => 1,
            'hash' => $catalogue->hash,
            'faults' => array_values(array_map(static fn (Fault $f): array => ['id' => $f->id, 'places' => $f->places->value, 'repair' => $f->repair, 'weight' => $f->weight, 'confirm' => $f->confirm], $catalogue->faults)),
            'checks' => array_values(array_map(static fn (Check $c): array => ['id' => $c->id, 'places' => $c->places->value, 'state' => $c->lift->value, 'minutes' => $c->minutes, 'provenance' => $c->provenance, 'reason' => $c->reason], $catalogue->checks)),
            'repairs' => array_keys($catalogue->repairs),
            'presets' => $presets,
        ];
    }
}
