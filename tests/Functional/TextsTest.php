<?php

declare(strict_types=1);

namespace App\Tests\Functional;

use PHPUnit\Framework\TestCase;
use Rodrel\Core\Tests\World;
use Symfony\Component\Yaml\Yaml;

/** Everything in the catalogue has its words, and templates hold none of their own. */
final class TextsTest extends TestCase
{
    public function testEveryIdOfTheCatalogueHasItsText(): void
    {
        $texts = $this->flat(Yaml::parseFile(\dirname(__DIR__, 2).'/translations/catalogue+intl-icu.en.yaml'));
        $catalogue = World::catalogue();
        $wanted = array_map(static fn (string $id): string => 'fault.'.$id, array_keys($catalogue->faults));
        foreach ($catalogue->checks as $check) {
            $wanted[] = "check.$check->id.name";
            if (!\in_array($check->id, ['complaint'], true)) {
                $wanted[] = "check.$check->id.how";
            }
            if (!$check->proofOnly && 'complaint' !== $check->id) {
                $wanted[] = "check.$check->id.why";
            }
            foreach ($check->spoken as $word) {
                $wanted[] = 'say.'.$word;
            }
            if (null !== $check->caution) {
                $wanted[] = 'caution.'.$check->caution;
            }
            foreach ($check->rows as $row => $observer) {
                foreach ($observer->words as $word) {
                    $own = isset($texts["check.$check->id.word.$word"]) || isset($texts["check.$check->id.word.$row.$word"]);
                    $wanted[] = $own ? "check.$check->id.name" : 'word.'.$word;
                }
            }
        }
        foreach ($catalogue->repairs as $repair) {
            array_push($wanted, "repair.$repair->id.part", "repair.$repair->id.finding", "repair.$repair->id.do");
        }
        foreach ($catalogue->procedures as $procedure) {
            foreach ($procedure->steps as $step) {
                $wanted[] = 'step.'.$step->id;
                array_push($wanted, ...array_map(static fn (string $id): string => 'caution.'.$id, $step->cautions));
            }
            array_push($wanted, ...array_map(static fn (array $item): string => 'prepare.'.$item['id'], $procedure->prepare), ...array_map(static fn (string $id): string => 'inspect.'.$id, $procedure->inspect));
        }
        self::assertSame([], array_values(array_diff(array_unique($wanted), array_keys($texts))));
    }

    public function testTemplatesHoldNoWordsAndNoNetwork(): void
    {
        $found = [];
        foreach (new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator(\dirname(__DIR__, 2).'/templates', \FilesystemIterator::SKIP_DOTS)) as $file) {
            $bare = (string) preg_replace(['~<style>.*?</style>~s', '/\{#.*?#\}/s', '/\{%.*?%\}/s', '/\{\{.*?\}\}/s', '/<[^>]*>/s', '/rodrel|room-[a-z]*|N·m|\+1|0\.0|N\b|H\b|K\b|W\b|°C|×|·/'], ' ', (string) file_get_contents((string) $file));
            if (1 === preg_match('/[A-Za-z]{3,}/', $bare, $word)) {
                $found[] = basename((string) $file).': '.$word[0];
            }
        }
        self::assertSame([], $found);
    }

    /**
     * @param array<string, mixed> $tree
     *
     * @return array<string, string>
     */
    private function flat(array $tree, string $prefix = ''): array
    {
        $flat = [];
        foreach ($tree as $key => $value) {
            $flat += \is_array($value) ? $this->flat($value, $prefix.$key.'.') : [$prefix.$key => (string) $value];
        }

        return $flat;
    }
}
