<?php

declare(strict_types=1);

namespace Rodrel\Core\Tests\Catalogue;

use PHPUnit\Framework\TestCase;
use Rodrel\Core\Catalogue\JsonText;

/** Lines counted by eye. */
final class JsonTextTest extends TestCase
{
    public function testLines(): void
    {
        $text = <<<'JSON'
            {
              "a\"}": ["x", "]", {"deep": 1}],
              "b\\": {
                "c": -1.5e3,
                "d": [
                  true, null,
                  "last"
                ]
              },
              "e": "{"
            }
            JSON;
        $read = JsonText::read($text);
        self::assertSame([], $read->twice);
        self::assertSame(1, $read->lineOf(''));
        self::assertSame(2, $read->lineOf('/a"}/1'));
        self::assertSame(2, $read->lineOf('/a"}/2/deep'));
        self::assertSame(3, $read->lineOf('/b\\'));
        self::assertSame(4, $read->lineOf('/b\\/c'));
        self::assertSame(6, $read->lineOf('/b\\/d/1'));
        self::assertSame(7, $read->lineOf('/b\\/d/2'));
        self::assertSame(7, $read->lineOf('/b\\/d/2/of/nothing'), 'the nearest thing around it');
        self::assertSame(10, $read->lineOf('/e'));
        self::assertSame(1, $read->lineOf('/nothing'));
        self::assertSame('{', $read->data['e'] ?? null);
    }

    public function testAKeyThatComesTwice(): void
    {
        self::assertSame(['/b/0/c', '/a'], JsonText::read('{"a":1,"b":[{"c":2,"c":3}],"a":4}')->twice);
        self::assertSame(['/a', '/b/0/c'], JsonText::read('{"a":1,"a":4,"b":[{"c":2,"c":3}]}')->twice);
        $none = JsonText::read('{"a":');
        self::assertNull($none->data);
        self::assertSame('Syntax error', $none->error);
        self::assertNull(JsonText::read('"a"')->data);
    }
}
