<?php

declare(strict_types=1);

namespace App\Tests\Rooms;

use PHPUnit\Framework\TestCase;
use Rodrel\Core\Tests\World;

/** `docs/coverage.md` names what the catalogue has and nothing else; `docs/outside.md` what it has not. */
final class CoverageTest extends TestCase
{
    public function testEveryIdHasItsLine(): void
    {
        $catalogue = World::catalogue();
        $cautions = [];
        foreach ($catalogue->checks as $check) {
            $cautions[] = $check->manner->caution;
        }
        foreach ($catalogue->repairs->procedures as $procedure) {
            foreach ($procedure->steps as $step) {
                array_push($cautions, ...$step->cautions);
            }
        }
        $has = [
            'Complaints' => array_keys($catalogue->complaints->all),
            'Faults' => array_keys($catalogue->faults->all),
            'Checks' => array_keys($catalogue->checks->all),
            'Repairs' => array_keys($catalogue->repairs->all),
            'Cautions' => array_values(array_unique(array_filter($cautions))),
        ];
        $named = array_fill_keys(array_keys($has), []);
        $kind = '';
        foreach (self::lines('coverage.md') as $line) {
            $kind = 1 === preg_match('/^## (\w+)/', $line, $found) ? $found[1] : $kind;
            if (1 === preg_match('/^\| .+ \| `([a-z.-]+)` \|$/', $line, $found)) {
                $named[$kind][] = $found[1];
            }
        }
        foreach ($has as $kind => $ids) {
            sort($ids);
            sort($named[$kind]);
            self::assertSame($ids, $named[$kind], $kind);
        }
    }

    /** Decisions count up without a gap, every one that is named is there; presets are as many as the pages say. */
    public function testWhatThePagesPointToIsThere(): void
    {
        $root = \dirname(__DIR__, 2);
        $numbers = array_map(
            static fn (string $file): int => (int) substr(basename($file), 0, 4),
            glob($root.'/docs/decisions/*.md') ?: [],
        );
        self::assertSame(range(1, \count($numbers)), $numbers);
        exec(
            'cd '.escapeshellarg($root).' && grep -rhoE "docs/decisions/[a-z0-9-]+\.md|decisions? [0-9]{4}" '
                .'rodrel core src docs bin tests/Functional README.md CONTRIBUTING.md deploy',
            $named,
        );
        self::assertGreaterThan(10, \count($named));
        foreach (array_unique($named) as $one) {
            $there = str_starts_with($one, 'docs/')
                ? is_file("$root/$one")
                : \in_array((int) substr($one, -4), $numbers, true);
            self::assertTrue($there, $one);
        }
        $presets = (string) (new \NumberFormatter('en', \NumberFormatter::SPELLOUT))->format(
            \count(World::catalogue()->presets),
        );
        foreach (['README.md', 'docs/catalogue.md'] as $page) {
            $said = (string) preg_replace('/\s+/', ' ', (string) file_get_contents("$root/$page"));
            self::assertMatchesRegularExpression("/\\b$presets (kinds of vehicle|vehicles)/i", $said, $page);
        }
    }

    /** What is said to be outside is not in the catalogue, and has its reason; what is pointed to is there. */
    public function testWhatIsOutsideIsNotInside(): void
    {
        $catalogue = World::catalogue();
        $ids = [
            ...array_keys($catalogue->faults->all),
            ...array_keys($catalogue->checks->all),
            ...array_keys($catalogue->repairs->all),
        ];
        $outside = 0;
        foreach (self::lines('outside.md') as $line) {
            if (1 === preg_match('/^\| [^`]+ \| `([a-z.-]+)` \| (.+) \|$/', $line, $found)) {
                ++$outside;
                self::assertNotContains($found[1], $ids);
                self::assertGreaterThan(20, \strlen($found[2]), $found[1]);
                preg_match_all('/`([a-z.-]+)`/', $found[2], $pointed);
                self::assertSame([], array_values(array_diff($pointed[1], $ids)), $found[1]);
            }
        }
        self::assertGreaterThan(7, $outside);
    }

    /** @return list<string> */
    private static function lines(string $file): array
    {
        return file(\dirname(__DIR__, 2).'/docs/'.$file, \FILE_IGNORE_NEW_LINES) ?: [];
    }
}
