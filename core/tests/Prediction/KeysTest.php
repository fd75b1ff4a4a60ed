<?php

declare(strict_types=1);

namespace Rodrel\Core\Tests\Prediction;

use App\Catalogue\SourceHash;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Tests\World;

/** A prediction is found again only while everything that took part in it is as it was. */
final class KeysTest extends TestCase
{
    private string $copy;

    protected function setUp(): void
    {
        $this->copy = sys_get_temp_dir().'/rodrel-'.bin2hex(random_bytes(4));
        mkdir($this->copy.'/core', 0o755, true);
        exec(
            'cp -r '.escapeshellarg(\dirname(__DIR__, 2).'/src').' '.escapeshellarg($this->copy.'/core/src'),
        );
    }

    protected function tearDown(): void
    {
        exec('rm -rf '.escapeshellarg($this->copy));
    }

    /** @param array{bool, bool} $changes whether what predicts changes, and what judges */
    #[DataProvider('provideChanges')]
    public function testTheKeyFollowsTheCodeAndNotItsComments(
        string $file,
        string $there,
        string $instead,
        array $changes,
    ): void {
        $before = (new SourceHash($this->copy))->compute();
        $here = (new SourceHash(\dirname(__DIR__, 3)))->compute();
        self::assertSame(\array_slice($here, 0, 2), \array_slice($before, 0, 2), 'a copy is the same code');
        $path = $this->copy.'/core/src/'.$file;
        $code = (string) file_get_contents($path);
        self::assertStringContainsString($there, $code);
        file_put_contents($path, str_replace($there, $instead, $code));
        $after = (new SourceHash($this->copy))->compute();
        self::assertSame($changes, [$before[0] !== $after[0], $before[1] !== $after[1]]);
    }

    /** @return iterable<string, array{string, string, string, array{bool, bool}}> */
    public static function provideChanges(): iterable
    {
        yield 'left for right in the pull' => [
            'Road/Road.php',
            '$f[\'lf\'] - $f[\'rf\']',
            '$f[\'rf\'] - $f[\'lf\']',
            [true, false],
        ];
        yield 'a sign in the physics' => [
            'Physics/Booster.php',
            '- self::RETURN_SPRING_N',
            '+ self::RETURN_SPRING_N',
            [true, false],
        ];
        yield 'a probe' => ['Check/Probe/Sink.php', 'return', 'return -', [true, false]];
        yield 'a comment in the physics' => [
            'Physics/Booster.php',
            '/** Foot force',
            '/** The foot\'s force',
            [false, false],
        ];
        yield 'the judgement' => ['Isolation/Confirmation.php', 'SPEAKS_FOR = 2.0', 'SPEAKS_FOR = 3.0', [false, true]];
    }

    public function testEveryFileThatComputingLoadsIsInTheKey(): void
    {
        $script = escapeshellarg(\dirname(__DIR__).'/lib/predictions.php');
        exec("php -d memory_limit=1G $script petrol-turbo hose.one-way booster.holds 2>&1", $lines, $code);
        self::assertSame(0, $code);
        $loaded = [];
        foreach ($lines as $line) {
            if (str_starts_with($line, 'loaded ')) {
                $loaded[] = substr($line, 7);
            }
        }
        self::assertGreaterThan(15, \count($loaded));
        self::assertContains('Physics/CircuitSolver.php', $loaded);
        $hashed = (new SourceHash(\dirname(__DIR__, 3)))->predictingFiles();
        self::assertSame([], array_values(array_diff($loaded, $hashed)));
    }

    /** A changed effect is another prediction of that fault alone; a weight, a price or a text is none. */
    public function testOneChangedFaultIsComputedAgainAlone(): void
    {
        $layout = World::layout();
        $keys = static function (callable $change) use ($layout): array {
            $documents = World::documents();
            $change($documents);
            $catalogue = Catalogue::fromArray($documents);
            $keys = $catalogue->keys('sources');
            $all = ['' => $keys->sound($layout)];
            foreach ($catalogue->faults as $fault) {
                $all[$fault->id] = $keys->fault($layout, $fault);
            }

            return $all;
        };
        $now = $keys(static function (array &$documents): void {});
        $effect = $keys(static function (array &$documents): void {
            $documents['faults']['faults'][0]['severity']['return']['values'][0] = 8e-7;
        });
        self::assertSame(['hose.one-way'], array_keys(array_diff_assoc($effect, $now)));
        $sign = $keys(static function (array &$documents): void {
            $documents['faults']['faults'][1]['signs']['hose-look'] = [0.4, 0.56, 0.02, 0.02];
        });
        self::assertSame(['hose.closes'], array_keys(array_diff_assoc($sign, $now)));
        $price = $keys(static function (array &$documents): void {
            $documents['faults']['faults'][0]['weight'] = 9.0;
            $documents['repairs']['repairs']['hose']['parts_cents'] = 1;
        });
        self::assertSame($now, $price);
        $check = $keys(static function (array &$documents): void {
            $documents['checks']['checks'][3]['rows']['travel']['limits'] = [1.2, 1.45];
        });
        self::assertCount(\count($now), array_diff_assoc($check, $now), 'another check is another prediction of all');
        self::assertNotSame($now[''], World::catalogue()->keys('sources')->sound(World::layout('heavy-van')));
    }
}
