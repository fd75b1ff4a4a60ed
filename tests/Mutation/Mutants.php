<?php

declare(strict_types=1);

namespace App\Tests\Mutation;

use PhpParser\Node;
use PhpParser\NodeFinder;
use PhpParser\ParserFactory;

/** Every way of breaking a file of the core by one small change, each as a piece of text put in another's place. */
final readonly class Mutants
{
    private const OPERATORS = [
        Node\Expr\BinaryOp\Plus::class => ['+', '-'],
        Node\Expr\BinaryOp\Minus::class => ['-', '+'],
        Node\Expr\BinaryOp\Mul::class => ['*', '/'],
        Node\Expr\BinaryOp\Div::class => ['/', '*'],
        Node\Expr\BinaryOp\Smaller::class => ['<', '>='],
        Node\Expr\BinaryOp\SmallerOrEqual::class => ['<=', '<'],
        Node\Expr\BinaryOp\Greater::class => ['>', '<='],
        Node\Expr\BinaryOp\GreaterOrEqual::class => ['>=', '>'],
        Node\Expr\BinaryOp\Identical::class => ['===', '!=='],
        Node\Expr\BinaryOp\NotIdentical::class => ['!==', '==='],
        Node\Expr\BinaryOp\BooleanAnd::class => ['&&', '||'],
        Node\Expr\BinaryOp\BooleanOr::class => ['||', '&&'],
    ];

    /** What is smaller only keeps rounding out: three times as much of it changes nothing, one does. */
    private const ROUNDING = 1e-5;

    /** @return list<Mutant> in the order of the file */
    public static function of(string $path, string $code): array
    {
        $tree = (new ParserFactory())->createForNewestSupportedVersion()->parse($code) ?? [];
        $found = [];
        foreach ((new NodeFinder())->find($tree, static fn (Node $node): bool => true) as $node) {
            [$from, $to] = [$node->getStartFilePos(), $node->getEndFilePos() + 1];
            $here = substr($code, $from, $to - $from);
            $change = match (true) {
                $node instanceof Node\Expr\BinaryOp => self::operator($node, $code),
                $node instanceof Node\Expr\BooleanNot => [$from, $from + 1, ''],
                $node instanceof Node\Scalar\Float_ => [
                    $from,
                    $to,
                    $node->value < self::ROUNDING ? '1.0' : '('.$here.' * 3.0)',
                ],
                $node instanceof Node\Scalar\Int_ && $node->getStartLine() > 3 => [
                    $from,
                    $to,
                    0 === $node->value ? '1' : '('.$here.' + 1)',
                ],
                $node instanceof Node\Expr\ConstFetch && 'true' === $node->name->toLowerString() => [
                    $from,
                    $to,
                    'false',
                ],
                $node instanceof Node\Expr\ConstFetch && 'false' === $node->name->toLowerString() => [
                    $from,
                    $to,
                    'true',
                ],
                $node instanceof Node\Expr\UnaryMinus => [$from, $from + 1, ''],
                $node instanceof Node\Expr\FuncCall
                    && $node->name instanceof Node\Name
                    && \in_array($node->name->toString(), ['min', 'max'], true) => [
                        $node->name->getStartFilePos(),
                        $node->name->getEndFilePos() + 1,
                        'min' === $node->name->toString() ? 'max' : 'min',
                    ],
                $node instanceof Node\Stmt\Expression && self::isCall($node->expr) => [$from, $to, ';'],
                $node instanceof Node\Stmt\Continue_ => [$from, $to, ';'],
                default => null,
            };
            if (null !== $change) {
                $found[] = new Mutant(
                    $path,
                    $node->getStartLine(),
                    $change[0],
                    $change[1],
                    $change[2],
                    substr($code, $change[0], $change[1] - $change[0]),
                );
            }
        }

        return $found;
    }

    private static function isCall(Node\Expr $expr): bool
    {
        return $expr instanceof Node\Expr\MethodCall || $expr instanceof Node\Expr\AssignOp;
    }

    /** @return array{int, int, string}|null where the sign itself stands */
    private static function operator(Node\Expr\BinaryOp $node, string $code): ?array
    {
        [$sign, $other] = self::OPERATORS[$node::class] ?? [null, ''];
        if (null === $sign) {
            return null;
        }
        $after = $node->left->getEndFilePos() + 1;
        $at = strpos($code, $sign, $after);

        return false !== $at && $at < $node->right->getStartFilePos() ? [$at, $at + \strlen($sign), $other] : null;
    }
}
