<?php

declare(strict_types=1);

namespace App\Tests\Mutation;

use SebastianBergmann\CodeCoverage\CodeCoverage;

/** Which tests walk over which line of the core; measured once per state of sources and tests. */
final readonly class Coverage
{
    private const AT_MOST = 80;

    /** @param array<string, array<int, list<string>>> $tests methods by file under the project and line */
    private function __construct(private array $tests)
    {
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
                .escapeshellarg($file.'.raw');
            passthru($command.' > /dev/null', $code);
            if (!is_file($file.'.raw')) {
                throw new \RuntimeException('Coverage could not be measured: is php8.2-pcov installed?');
            }
            file_put_contents($file, json_encode(self::read($root, $file.'.raw'), \JSON_THROW_ON_ERROR));
            unlink($file.'.raw');
        }
        $tests = json_decode((string) file_get_contents($file), true, 512, \JSON_THROW_ON_ERROR);

        return new self($tests);
    }

    public function covers(Mutant $mutant): bool
    {
        return [] !== ($this->tests[$mutant->path][$mutant->line] ?? []);
    }

    /** A filter for PHPUnit: the tests that walk over the line. */
    public function filter(Mutant $mutant): string
    {
        $methods = \array_slice($this->tests[$mutant->path][$mutant->line] ?? [], 0, self::AT_MOST);

        return '/('.implode('|', array_map(preg_quote(...), $methods)).')( |$)/';
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
}
