<?php

declare(strict_types=1);

namespace App\Exchange;

use App\Catalogue\CatalogueLoader;
use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Check\Check;
use Rodrel\Core\Fault\Fault;
use Rodrel\Core\Fault\Particles;
use Rodrel\Core\InvalidData;
use Rodrel\Core\Vehicle\Layout;
use Symfony\Component\Console\Attribute\Argument;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Attribute\Option;
use Symfony\Component\Console\Output\OutputInterface;

/**
 * Checks a catalogue and says what is in it: the shipped one, a folder of files, or one document with the files by
 * name.
 */
#[AsCommand('rodrel:catalogue', 'Checks the catalogue and lists what it holds (JSON in and out)')]
final readonly class CatalogueCommand extends JsonCommand
{
    public function __construct(private CatalogueLoader $loader)
    {
    }

    public function __invoke(
        OutputInterface $output,
        #[Argument('a folder, a file, or - for standard input; the shipped one when left out'),]
        ?string $document = null,
        #[Option('say nothing when all is well')] bool $check = false,
    ): int {
        if ($check) {
            return $this->answer($output, function () use ($document): array {
                $this->loader->check($this->texts($document));

                return [];
            });
        }

        return $this->answer($output, fn (): array => $this->summary($this->loader->check($this->texts($document))));
    }

    /** @return array<string, string>|null file texts by name; null for the shipped ones */
    private function texts(?string $document): ?array
    {
        if (null === $document) {
            return null;
        }
        if (is_dir($document)) {
            $texts = [];
            foreach (Catalogue::FILES as $file) {
                $path = $document.'/'.$file.'.json';
                $texts[$file] = is_file($path) ? (string) file_get_contents($path) : '';
            }

            return $texts;
        }
        $text = '-' === $document ? stream_get_contents(\STDIN) : @file_get_contents($document);
        $data = \is_string($text) ? json_decode($text, true) : null;
        if (!\is_array($data)) {
            throw InvalidData::at('', \sprintf('"%s" is no folder and no JSON object', $document));
        }

        return array_map(
            static fn (mixed $file): string => (string) json_encode($file, \JSON_PRESERVE_ZERO_FRACTION),
            array_combine(array_map(strval(...), array_keys($data)), array_values($data)),
        );
    }

    /** @return array<string, mixed> */
    private function summary(Catalogue $catalogue): array
    {
        $presets = [];
        foreach ($catalogue->presets as $id => $preset) {
            $layout = Layout::fromArray($preset, '/presets/presets/'.$id);
            $checks = array_map(
                static fn (Check $check): int => \count($check->places->in($layout)),
                $catalogue->checks->all,
            );
            $presets[$id] = [
                'hypotheses' => \count(Particles::of($catalogue->faults, $layout)),
                'checks' => array_sum($checks),
            ];
        }

        return [
            'format' => 1,
            'hash' => $catalogue->hash,
            'faults' => array_values(
                array_map(
                    static fn (Fault $fault): array => [
                        'id' => $fault->id,
                        'places' => $fault->places->kind->value,
                        'repair' => $fault->cure->repair,
                        'weight' => $fault->odds->weight,
                        'confirm' => $fault->confirm,
                    ],
                    $catalogue->faults->all,
                ),
            ),
            'checks' => array_values(
                array_map(
                    static fn (Check $check): array => [
                        'id' => $check->id,
                        'places' => $check->places->kind->value,
                        'station' => $check->station,
                        'state' => $check->demand->lift->value,
                        'minutes' => $check->demand->minutes,
                    ],
                    $catalogue->checks->all,
                ),
            ),
            'repairs' => array_keys($catalogue->repairs->all),
            'presets' => $presets,
        ];
    }
}
