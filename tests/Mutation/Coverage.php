<?php

declare(strict_types=1);

namespace App\Tests\Mutation;

use SebastianBergmann\CodeCoverage\CodeCoverage;

/**
 * Which tests walk over which line of the core, and how long each takes; measured once per state of sources and tests.
 */
final readonly class Coverage
{
    /** Seconds of tests, as they took while being measured, that are tried on one mutant. */
    private const SECONDS = 90.0;
    /** So many at most, for the sake of the filter's length. */
    private const TESTS = 250;

    /** @var list<int> lines that a test walks over */
    private array $walked;

    /**
     * @param list<string> $names of tests, with the data set where there is one, as PHPUnit filters them
     * @param array<string, array<int, list<int>>> $tests numbers of tests by file under the project and line
     * @param list<float> $seconds of each test
     */
    private function __construct(private array $names, private array $tests, private array $seconds)
    {
        $walked = array_fill(0, \count($names), 0);
        foreach ($tests as $lines) {
            foreach ($lines as $numbers) {
                foreach ($numbers as $number) {
                    ++$walked[$number];
                }
            }
        }
        $this->walked = $walked;
    }

    public static function measured(string $root, string $file): self
    {
        if (!is_file($file)) {
            // every prediction at hand first: computing them under measurement would take an hour
            passthru('php -d memory_limit=1G vendor/bin/phpunit --testsuite scenario --no-output', $code);
            $command
                = 'php -d memory_limit=3G -d extension=pcov.so -d pcov.enabled=1 -d pcov.directory=core/src '
                    .'vendor/bin/phpunit --testsuite core,scenario'
                .' --no-progress --no-extensions --exclude-filter SameWithAndWithout --coverage-php '
                .escapeshellarg($file.'.raw').' --log-junit '.escapeshellarg($file.'.xml');
            passthru($command.' > /dev/null', $code);
            if (!is_file($file.'.raw')) {
                throw new \RuntimeException('Coverage could not be measured: is php8.2-pcov installed?');
            }
            $measured = self::read($root, $file.'.raw', self::seconds($file.'.xml'));
            file_put_contents($file, json_encode($measured, \JSON_THROW_ON_ERROR));
            unlink($file.'.raw');
            unlink($file.'.xml');
        }
        $measured = json_decode((string) file_get_contents($file), true, 512, \JSON_THROW_ON_ERROR);

        return new self($measured['names'], $measured['tests'], $measured['seconds']);
    }

    public function covers(Mutant $mutant): bool
    {
        return [] !== ($this->tests[$mutant->path][$mutant->line] ?? []);
    }

    /**
     * A filter for PHPUnit: tests that walk over the line, those that walk over little else before those that walk over
     * everything, each data set by itself.
     */
    public function filter(Mutant $mutant): string
    {
        $numbers = $this->tests[$mutant->path][$mutant->line] ?? [];
        usort($numbers, fn (int $a, int $b): int => [$this->walked[$a], $a] <=> [$this->walked[$b], $b]);
        $taken = [];
        $seconds = 0.0;
        foreach ($numbers as $number) {
            $seconds += $this->seconds[$number];
            if ([] !== $taken && ($seconds > self::SECONDS || \count($taken) >= self::TESTS)) {
                break;
            }
            $taken[] = preg_quote($this->names[$number], '/');
        }

        return '/\\\\('.implode('|', $taken).')$/';
    }

    /**
     * @param array<string, float> $seconds by name
     *
     * @return array{names: list<string>, tests: array<string, array<int, list<int>>>, seconds: list<float>}
     */
    private static function read(string $root, string $raw, array $seconds): array
    {
        $coverage = require $raw;
        $numbers = $tests = [];
        foreach ($coverage instanceof CodeCoverage ? $coverage->getData()->lineCoverage() : [] as $file => $lines) {
            foreach ($lines as $line => $ids) {
                foreach ($ids ?? [] as $id) {
                    $name = self::name($id);
                    $tests[substr($file, \strlen($root) + 1)][$line][] = $numbers[$name] ??= \count($numbers);
                }
            }
        }
        $names = array_map(strval(...), array_keys($numbers));

        return [
            'names' => $names,
            'tests' => $tests,
            'seconds' => array_map(static fn (string $name): float => $seconds[$name] ?? 0.0, $names),
        ];
    }

    /** Of `Name\Space\SomeTest::method#data` what PHPUnit's filter is held against, without the name space. */
    private static function name(string $id): string
    {
        [$test, $data] = explode('#', $id, 2) + [1 => null];
        $test = (string) preg_replace('/^.*\\\\/', '', $test);

        return match (true) {
            null === $data => $test,
            ctype_digit($data) => "$test with data set #$data",
            default => "$test with data set \"$data\"",
        };
    }

    /** @return array<string, float> by name */
    private static function seconds(string $xml): array
    {
        $seconds = [];
        $document = new \SimpleXMLElement((string) file_get_contents($xml));
        foreach ($document->xpath('//testcase') ?: [] as $case) {
            $class = (string) preg_replace('/^.*\\\\/', '', (string) $case['class']);
            $seconds[$class.'::'.$case['name']] = (float) $case['time'];
        }

        return $seconds;
    }
}
