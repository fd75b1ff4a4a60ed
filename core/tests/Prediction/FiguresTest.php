<?php

declare(strict_types=1);

namespace Rodrel\Core\Tests\Prediction;

use PHPUnit\Framework\TestCase;
use Rodrel\Core\Prediction\Figures;

final class FiguresTest extends TestCase
{
    public function testSixFiguresAreKept(): void
    {
        $kept = [
            [0.123456789, 0.123457],
            [0.1234564, 0.123456],
            [-0.123456789, -0.123457],
            [0.99999951, 1.0],
            [9.8765432e-9, 9.87654e-9],
            [1.23456789e-20, 1.23457e-20],
            [0.0, 0.0],
            [1.0, 1.0],
            [1234.56789, 1234.57],
            [123456.789, 123457.0],
            [98765432.1, 98765400.0],
        ];
        foreach ($kept as [$number, $six]) {
            self::assertSame($six, Figures::kept($number), (string) $number);
        }
    }

    public function testWhatAgreesToFiveFiguresIsOne(): void
    {
        self::assertSame(Figures::print([0.123451, 0.5]), Figures::print([0.123454, 0.5]));
        self::assertNotSame(Figures::print([0.123451, 0.5]), Figures::print([0.123456, 0.5]));
        self::assertNotSame(Figures::print([0.5, 0.123451]), Figures::print([0.123451, 0.5]));
        self::assertNotSame(Figures::print([0.25]), Figures::print([0.25, 0.25]));
    }
}
