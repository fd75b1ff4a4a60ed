<?php

declare(strict_types=1);

namespace App\Tests\Rooms;

use PhpParser\Node;
use PhpParser\NodeFinder;
use PhpParser\ParserFactory;
use PHPUnit\Framework\TestCase;

/** Habits of the code that no other tool holds. */
final class CodeTest extends TestCase
{
    private const MOST_ARGUMENTS = 7;

    public function testAConstructorTakesAtMostSevenArguments(): void
    {
        $long = [];
        foreach ($this->trees() as $file => $tree) {
            foreach ((new NodeFinder())->findInstanceOf($tree, Node\Stmt\ClassMethod::class) as $method) {
                $many = \count($method->params) > self::MOST_ARGUMENTS;
                if ('__construct' === $method->name->toString() && $many && !self::isPage($file)) {
                    $long[] = $file;
                }
            }
        }
        self::assertSame([], $long);
    }

    /** A page's model says by name what its template sees. */
    public function testPageModelsAreMadeWithNamedArguments(): void
    {
        $found = 0;
        foreach ($this->trees() as $file => $tree) {
            foreach ((new NodeFinder())->findInstanceOf($tree, Node\Expr\New_::class) as $new) {
                $name = $new->class instanceof Node\Name ? $new->class->toString() : '';
                if (str_starts_with($file, 'src/') && self::isPage($name.'.php') && \count($new->args) > 1) {
                    ++$found;
                    foreach ($new->getArgs() as $argument) {
                        self::assertNotNull($argument->name, "$file makes a $name");
                    }
                }
            }
        }
        self::assertGreaterThan(15, $found);
    }

    /** `kind.mode@place` is taken apart and put together in the vocabulary alone. */
    public function testOnlyTheVocabularyKnowsHowIdsAreWritten(): void
    {
        $found = [];
        foreach ($this->trees() as $file => $tree) {
            foreach ((new NodeFinder())->findInstanceOf($tree, Node\Scalar\String_::class) as $text) {
                $bare = '@' === $text->value || 1 === preg_match('/^@\w|[a-z]@$/', $text->value);
                if ($bare && !str_starts_with($file, 'core/src/Vocabulary/')) {
                    $found[] = $file.':'.$text->getStartLine();
                }
            }
        }
        self::assertSame([], $found);
    }

    private static function isPage(string $file): bool
    {
        return str_ends_with($file, 'Page.php');
    }

    /** @return iterable<string, array<Node>> by path under the project */
    private function trees(): iterable
    {
        $parser = (new ParserFactory())->createForNewestSupportedVersion();
        $root = \dirname(__DIR__, 2);
        foreach (['core/src', 'src'] as $directory) {
            $files = new \RecursiveIteratorIterator(
                new \RecursiveDirectoryIterator("$root/$directory", \FilesystemIterator::SKIP_DOTS),
            );
            foreach ($files as $file) {
                yield substr((string) $file, \strlen($root) + 1) => $parser->parse(
                    (string) file_get_contents((string) $file),
                ) ?? [];
            }
        }
    }
}
