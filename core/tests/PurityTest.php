<?php

declare(strict_types=1);

namespace Rodrel\Core\Tests;

use PhpParser\Node;
use PhpParser\NodeFinder;
use PhpParser\NodeTraverser;
use PhpParser\NodeVisitor\NameResolver;
use PhpParser\ParserFactory;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** The core knows PHP and itself: no clock, chance, I/O, superglobal, static state or foreign name. */
final class PurityTest extends TestCase
{
    private const IMPURE = [
        'time',
        'microtime',
        'hrtime',
        'date',
        'mktime',
        'strtotime',
        'sleep',
        'usleep',
        'rand',
        'mt_rand',
        'random_int',
        'random_bytes',
        'uniqid',
        'shuffle',
        'array_rand',
        'file_get_contents',
        'file_put_contents',
        'fopen',
        'file',
        'unlink',
        'mkdir',
        'glob',
        'getenv',
        'putenv',
        'ini_set',
        'exec',
        'system',
        'shell_exec',
        'curl_init',
        'header',
        'setcookie',
        'error_log',
        'var_dump',
        'print_r',
    ];

    public function testTheCoreIsPure(): void
    {
        $violations = [];
        foreach (
            new \RecursiveIteratorIterator(
                new \RecursiveDirectoryIterator(\dirname(__DIR__).'/src', \FilesystemIterator::SKIP_DOTS),
            ) as $file
        ) {
            foreach ($this->violations((string) file_get_contents((string) $file)) as $violation) {
                $violations[] = basename((string) $file).': '.$violation;
            }
        }
        self::assertSame([], $violations);
    }

    #[DataProvider('providePlanted')]
    public function testAPlantedViolationIsFound(string $code): void
    {
        self::assertNotSame([], $this->violations('<?php namespace Rodrel\Core; '.$code));
    }

    /** @return iterable<string, array{string}> */
    public static function providePlanted(): iterable
    {
        yield 'clock' => ['function f() { return time(); }'];
        yield 'clock as an object' => ['function f() { return new \DateTimeImmutable(); }'];
        yield 'chance' => ['function f() { return \mt_rand(); }'];
        yield 'input' => ['function f() { return file_get_contents("x"); }'];
        yield 'output' => ['function f() { echo "x"; }'];
        yield 'include' => ['function f() { require "x.php"; }'];
        yield 'superglobal' => ['function f() { return $_ENV["x"]; }'];
        yield 'static state' => ['class A { private static int $n = 0; }'];
        yield 'static variable' => ['function f() { static $n = 0; return ++$n; }'];
        yield 'foreign name' => ['use Symfony\Component\Uid\Uuid; function f() { return Uuid::v7(); }'];
        yield 'application name' => ['function f(\App\Job\Job $job) {}'];
    }

    /** @return list<string> */
    private function violations(string $code): array
    {
        $traverser = new NodeTraverser(new NameResolver());
        $tree = $traverser->traverse((new ParserFactory())->createForNewestSupportedVersion()->parse($code) ?? []);
        $found = [];
        foreach ((new NodeFinder())->find($tree, static fn (Node $node): bool => true) as $node) {
            $what = match (true) {
                $node instanceof Node\Name\FullyQualified
                    && str_contains($node->toString(), '\\')
                    && !str_starts_with($node->toString(), 'Rodrel\Core\\')
                    && 'Random\Engine' !== $node->toString()
                    && 'Random\Randomizer' !== $node->toString() => 'uses '.$node->toString(),
                $node instanceof Node\Expr\FuncCall
                    && $node->name instanceof Node\Name
                    && \in_array(strtolower($node->name->getLast()), self::IMPURE, true) => 'calls '.$node->name,
                $node instanceof Node\Expr\New_
                    && $node->class instanceof Node\Name
                    && \in_array($node->class->getLast(), ['DateTimeImmutable', 'DateTime'], true) => 'asks the clock',
                $node instanceof Node\Stmt\Echo_,
                $node instanceof Node\Expr\Print_,
                $node instanceof Node\Expr\Exit_ => 'prints or exits',
                $node instanceof Node\Expr\Include_ => 'includes a file',
                $node instanceof Node\Expr\Variable
                    && \is_string($node->name)
                    && 1 === preg_match('/^(_[A-Z]+|GLOBALS)$/', $node->name) => 'reads $'.$node->name,
                $node instanceof Node\Stmt\Property && $node->isStatic() => 'keeps static state',
                $node instanceof Node\Stmt\Static_ => 'keeps a static variable',
                default => null,
            };
            if (null !== $what) {
                $found[] = 'line '.$node->getStartLine().' '.$what;
            }
        }

        return $found;
    }
}
