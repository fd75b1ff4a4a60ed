<?php

declare(strict_types=1);

namespace App\Catalogue;

use Rodrel\Core\Catalogue\BrokenCatalogue;
use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Catalogue\CatalogueReader;
use Rodrel\Core\InvalidData;
use Symfony\Component\Yaml\Yaml;

/** Reads the catalogue's files for the core. */
final readonly class CatalogueLoader
{
    public function __construct(private string $projectDir, private ?string $builtFile = null)
    {
    }

    /** The catalogue as it was built, else as its files are now. */
    public function load(): Catalogue
    {
        if (null !== $this->builtFile && is_file($this->builtFile)) {
            $built = unserialize((string) file_get_contents($this->builtFile));
            if ($built instanceof Catalogue) {
                return $built;
            }
        }

        return $this->parse();
    }

    /** @throws InvalidData at the first thing that cannot be read */
    public function parse(): Catalogue
    {
        $documents = [];
        foreach ($this->texts() as $file => $text) {
            $data = json_decode($text, true);
            $documents[$file] = \is_array($data) ? $data : throw InvalidData::at('/'.$file, json_last_error_msg());
        }

        return Catalogue::fromArray($documents);
    }

    /**
     * Reads it strictly, with its words.
     *
     * @param array<string, string>|null $texts other files than those that ship, by name
     *
     * @throws BrokenCatalogue with all that is wrong
     */
    public function check(?array $texts = null): Catalogue
    {
        return CatalogueReader::read($texts ?? $this->texts(), $this->words(), $this->retired());
    }

    /** @return array<string, string> the files that ship, by name */
    public function texts(): array
    {
        $texts = [];
        foreach (Catalogue::FILES as $file) {
            $texts[$file] = (string) file_get_contents($this->projectDir.'/core/data/'.$file.'.json');
        }

        return $texts;
    }

    /** @return list<string> keys of all texts there are, `domain:key` */
    private function words(): array
    {
        $keys = [];
        foreach (['catalogue', 'messages'] as $domain) {
            $tree = Yaml::parseFile($this->projectDir.'/translations/en/'.$domain.'+intl-icu.en.yaml');
            $this->collect(\is_array($tree) ? $tree : [], $domain.':', $keys);
        }

        return $keys;
    }

    /**
     * @param array<array-key, mixed> $tree
     * @param list<string> $keys
     */
    private function collect(array $tree, string $prefix, array &$keys): void
    {
        foreach ($tree as $key => $value) {
            if (\is_array($value)) {
                $this->collect($value, $prefix.$key.'.', $keys);
            } else {
                $keys[] = $prefix.$key;
            }
        }
    }

    /** @return array<string, string> */
    private function retired(): array
    {
        $data = json_decode((string) file_get_contents($this->projectDir.'/core/data/retired.json'), true);
        $retired = [];
        foreach (\is_array($data) && \is_array($data['retired'] ?? null) ? $data['retired'] : [] as $old => $new) {
            $retired[(string) $old] = \is_string($new) ? $new : '';
        }

        return $retired;
    }
}
