<?php

declare(strict_types=1);

namespace Rodrel\Core\Catalogue;

use Rodrel\Core\Mistakes;
use Rodrel\Core\Provenance;
use Rodrel\Core\Shape;

/**
 * Reads the catalogue and refuses what it does not know: unknown keys, ids that stand twice or are retired, references
 * to nothing, figures outside their range, words behind which nothing stands, missing texts. Everything at once, each
 * with its file, JSON pointer and line.
 */
final class CatalogueReader
{
    private readonly Mistakes $mistakes;

    private function __construct()
    {
        $this->mistakes = new Mistakes();
    }

    /**
     * @param array<string, string> $texts JSON text by file name
     * @param list<string>|null $words keys of the texts there are, `domain:key`; null: texts are not looked at
     * @param array<string, string> $retired ids that were in use once, and what stands for them now
     *
     * @throws BrokenCatalogue with all that is wrong
     */
    public static function read(array $texts, ?array $words = null, array $retired = []): Catalogue
    {
        return (new self())->check($texts, $words, $retired);
    }

    /**
     * @param array<string, string> $texts
     * @param list<string>|null $words
     * @param array<string, string> $retired
     */
    private function check(array $texts, ?array $words, array $retired): Catalogue
    {
        $json = $documents = [];
        foreach (Catalogue::FILES as $file) {
            $json[$file] = JsonText::read($texts[$file] ?? '');
            $documents[$file] = $json[$file]->data ?? [];
            if (null === $json[$file]->data) {
                $this->mistakes->add('/'.$file, 'this is no JSON object: '.$json[$file]->error);
            }
            foreach ($json[$file]->twice as $pointer) {
                $this->mistakes->add('/'.$file.$pointer, 'this key stands here twice');
            }
        }
        $this->stopAt($json);
        $shapes = Catalogue::shapes($documents, $this->mistakes);
        $catalogue = Catalogue::fromShapes($shapes, $documents);
        foreach ($shapes as $file => $shape) {
            $this->head($shape, $file);
        }
        new References($catalogue, $documents, $this->mistakes);
        foreach ($retired as $old => $new) {
            if ($catalogue->checks->has($old) || isset($catalogue->faults->all[$old])) {
                $this->mistakes->add(
                    '/retired/retired/'.$old,
                    \sprintf('"%s" is retired in favour of "%s"', $old, $new),
                );
            }
        }
        $this->texts($catalogue, $words);
        // presets are read by the layout, not by the catalogue itself
        foreach ($shapes as $file => $shape) {
            if ('presets' !== $file) {
                $shape->refuseUnknown();
            }
        }
        $this->stopAt($json);

        return $catalogue;
    }

    /** @param list<string>|null $words */
    private function texts(Catalogue $catalogue, ?array $words): void
    {
        if (null === $words) {
            return;
        }
        $there = array_fill_keys($words, true);
        foreach (TextKeys::of($catalogue) as $path => $keys) {
            foreach ($keys as $key) {
                if (!isset($there[$key])) {
                    $this->mistakes->add($path, \sprintf('the text "%s" is missing', $key));
                }
            }
        }
        foreach (TextKeys::words($catalogue) as $path => $wanted) {
            foreach ($wanted as $ways) {
                if ([] === array_intersect_key(array_flip($ways), $there)) {
                    $this->mistakes->add($path, \sprintf('the text "%s" is missing', end($ways)));
                }
            }
        }
    }

    /** What every file says of itself. */
    private function head(Shape $shape, string $file): void
    {
        if (1.0 !== $shape->number('format')) {
            $shape->miss('format', 'format 1 is expected');
        }
        $shape->optionalText('note');
        if ($shape->has('provenance')) {
            Provenance::fromShape($shape);
        }
    }

    /** @param array<string, JsonText> $json */
    private function stopAt(array $json): void
    {
        $said = [];
        foreach ($this->mistakes->all() as $mistake) {
            $file = explode('/', $mistake['path'])[1] ?? '';
            $pointer = substr($mistake['path'], \strlen($file) + 1);
            $line = isset($json[$file]) ? $json[$file]->lineOf($pointer) : null;
            $said[] = ['path' => $mistake['path'], 'line' => $line, 'what' => $mistake['what']];
        }
        if ([] !== $said) {
            throw BrokenCatalogue::with($said);
        }
    }
}
