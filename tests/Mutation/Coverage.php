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

    /** @var array<string, int> lines that a test walks over, by its method */
    private array $walked;

    /**
     * @param array<string, array<int, list<string>>> $tests methods by file under the project and line
     * @param array<string, float> $seconds by method
     */
    private function __construct(private array $tests, private array $seconds)
    {
        $walked = [];
        foreach ($tests as $lines) {
            foreach ($lines as $methods) {
                foreach ($methods as $method) {
                    $walked[$method] = ($walked[$method] ?? 0) + 1;
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
            $measured = ['tests' => self::read($root, $file.'.raw'), 'seconds' => self::seconds($file.'.xml')];
            file_put_contents($file, json_encode($measured, \JSON_THROW_ON_ERROR));
            unlink($file.'.raw');
            unlink($file.'.xml');
        }
        $measured = json_decode((string) file_get_contents($file), true, 512, \JSON_THROW_ON_ERROR);

        return new self($measured['tests'], $measured['seconds']);
    }

    public function covers(Mutant $mutant): bool
    {
        return [] !== ($this->tests[$mutant->path][$mutant->line] ?? []);
    }

    /**
     * A filter for PHPUnit: tests that walk over the line, those that walk over little else before those that walk over
     * everything.
     */
    public function filter(Mutant $mutant): string
    {
        $methods = $this->tests[$mutant->path][$mutant->line] ?? [];
        usort($methods, fn (string $a, string $b): int => $this->walked[$a] <=> $this->walked[$b]);
        $taken = [];
        $seconds = 0.0;
        foreach ($methods as $method) {
            $seconds += $this->seconds[$method] ?? 0.0;
            if ([] !== $taken && $seconds > self::SECONDS) {
                break;
            }
            $taken[] = $method;
        }

        return '/('.implode('|', array_map(preg_quote(...), $taken)).')( |$)/';
    }

    /** @return array<string, array<int, list<string>>> */
    private static function read(string $root, string $raw): array
    {
        $coverage = require $raw;
        $tests = [];
        foreach ($coverage instanceof CodeCoverage ? $coverage->getData()->lineCoverage() : [] as $file => $lines) {
            foreach ($lines as $line => $ids) {
                foreach ($ids ?? [] as $id) {
                    $method = preg_replace('/^.*\\\\| with data set.*$|#.*$/s', '', $id);
                    $tests[substr($file, \strlen($root) + 1)][$line][(string) $method] = true;
                }
            }
        }

        return array_map(static fn (array $lines): array => array_map(array_keys(...), $lines), $tests);
    }

    /** @return array<string, float> by method, all its data sets together */
    private static function seconds(string $xml): array
    {
        $seconds = [];
        $document = new \SimpleXMLElement((string) file_get_contents($xml));
        foreach ($document->xpath('//testcase') ?: [] as $case) {
            $class = (string) preg_replace('/^.*\\\\/', '', (string) $case['class']);
            $method = $class.'::'.preg_replace('/ with data set.*$|#.*$/s', '', (string) $case['name']);
            $seconds[$method] = ($seconds[$method] ?? 0.0) + (float) $case['time'];
        }

        return $seconds;
    }
}
