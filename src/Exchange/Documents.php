<?php

declare(strict_types=1);

namespace App\Exchange;

use Opis\JsonSchema\Errors\ErrorFormatter;
use Opis\JsonSchema\Validator;
use Rodrel\Core\InvalidData;

/** Reads JSON from a file or standard input and holds it against its schema. */
final readonly class Documents
{
    /** Counted before anything else is looked at. */
    private const MOST_ENTRIES = 5000;

    public function __construct(private string $projectDir)
    {
    }

    /**
     * @param string $source a path, or `-` for standard input
     * @param string $schema a file name under docs/formats without its ending
     *
     * @return array<string, mixed>
     *
     * @throws InvalidData with the JSON pointer of what is wrong
     */
    public function read(string $source, string $schema): array
    {
        $text = '-' === $source ? stream_get_contents(\STDIN) : (is_file($source) ? file_get_contents($source) : false);
        if (!\is_string($text)) {
            throw InvalidData::at('', \sprintf('there is no file "%s"', $source));
        }

        return $this->parse($text, $schema);
    }

    /**
     * @return array<string, mixed>
     *
     * @throws InvalidData with the JSON pointer of what is wrong
     */
    public function parse(string $text, string $schema): array
    {
        $data = json_decode($text);
        if (null === $data) {
            throw InvalidData::at('', 'this is not JSON: '.json_last_error_msg());
        }
        $entries = \is_object($data) ? $data->entries ?? [] : [];
        if (\is_array($entries) && \count($entries) > self::MOST_ENTRIES) {
            throw InvalidData::at('/entries', \sprintf('a job has at most %d entries', self::MOST_ENTRIES));
        }
        $result = (new Validator())->validate(
            $data,
            (string) file_get_contents($this->projectDir.'/docs/formats/'.$schema.'.schema.json'),
        );
        $error = $result->error();
        if (null !== $error) {
            foreach ((new ErrorFormatter())->format($error, false) as $path => $message) {
                throw InvalidData::at(
                    '/' === $path ? '' : (string) $path,
                    \is_string($message) ? $message : 'does not fit the schema',
                );
            }
        }
        $array = json_decode($text, true);

        return \is_array($array) ? $array : throw InvalidData::at('', 'an object is expected');
    }
}
