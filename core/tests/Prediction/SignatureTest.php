<?php

declare(strict_types=1);

namespace Rodrel\Core\Tests\Prediction;

use PHPUnit\Framework\TestCase;
use Rodrel\Core\Prediction\FaultSignature;
use Rodrel\Core\Prediction\Signature;
use Rodrel\Core\Prediction\SoundSignature;
use Rodrel\Core\Tests\World;

/** What faults show, put beside each other: equal chances stand there once, a sound vehicle's first. */
final class SignatureTest extends TestCase
{
    public function testFaultsAreJoined(): void
    {
        $chances = [];
        foreach (World::catalogue()->checks as $check) {
            foreach ($check->everywhere(World::layout()) as $at) {
                foreach ($check->rows as $row) {
                    $words = \count($row->observer->words());
                    $chances[$at->row($row->id)] = array_fill(0, $words, 1.0 / $words);
                }
            }
        }
        $as = $chances['push-back@lf'];
        $sound = new SoundSignature('sound', $chances, []);
        [$shut, $open] = [[0.1, 0.2, 0.6, 0.1], [0.2, 0.2, 0.2, 0.4]];
        $fault = static fn (int $particles, array $table, array $index): FaultSignature => new FaultSignature(
            'key',
            'some',
            $particles,
            [] === $table ? [] : ['push-back@lf' => ['table' => $table, 'index' => $index]],
            3,
        );
        $faults = [
            $fault(2, [$shut], [-1, 0]),
            $fault(1, [], []),
            $fault(3, [$open, $as, $shut], [1, 2, 0]),
        ];
        $joined = Signature::of('all', World::layout(), World::catalogue()->checks, $sound, $faults);
        self::assertSame([6, 9], [$joined->particles, $joined->simulations]);
        $row = $joined->rows['push-back@lf'];
        self::assertSame([$as, $shut, $open], $row['table']);
        self::assertSame([0, 1, 0, 0, 1, 2], $row['index'], 'of what a fault says nothing a sound vehicle speaks');
        self::assertSame(array_fill(0, 6, 0), $joined->rows['spin@vehicle/lf']['index']);
        $more = $joined->with([$fault(2, [$shut], [0, -1])])->rows['push-back@lf'];
        self::assertSame([0, 1, 0, 0, 1, 2, 3, 0], $more['index']);
        self::assertSame([$as, $shut, $open, $shut], $more['table']);
    }
}
