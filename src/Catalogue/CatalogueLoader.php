<?php

declare(strict_types=1);

namespace App\Catalogue;

use Rodrel\Core\Catalogue;
use Rodrel\Core\InvalidData;

/** Reads the catalogue's files for the core. */
final readonly class CatalogueLoader
{
    private const FILES = ['faults', 'checks', 'repairs', 'procedures', 'presets', 'drives', 'bleeding'];

    public function __construct(private string $projectDir)
    {
    }

    /** @throws InvalidData when a file is not JSON or not a catalogue */
    public function load(): Catalogue
    {
        $documents = [];
        foreach (self::FILES as $file) {
            $documents[$file] = $this->document($file);
        }

        return Catalogue::fromArray($documents);
    }

    public function directory(): string
    {
        return $this->projectDir.'/core/data';
    }

    /** @return array<mixed> */
    public function document(string $file): array
    {
        $text = file_get_contents($this->directory().'/'.$file.'.json');
        $data = \is_string($text) ? json_decode($text, true) : null;

        return \is_array($data) ? $data : throw InvalidData::at('/'.$file, json_last_error_msg());
    }
}
