<?php

declare(strict_types=1);

namespace App\Tests\Functional;

use App\Account\Languages;
use App\Catalogue\CatalogueLoader;
use PHPUnit\Framework\TestCase;
use Rodrel\Core\Catalogue\BrokenCatalogue;

/** Everything in the catalogue has its words, and templates hold none of their own. */
final class TextsTest extends TestCase
{
    public function testEveryIdOfTheCatalogueHasItsTextAndAMissingOneIsNamed(): void
    {
        $loader = new CatalogueLoader(\dirname(__DIR__, 2));
        $catalogue = $loader->check();
        self::assertArrayHasKey('hose.one-way', $catalogue->faults->all);
        $texts = $loader->texts();
        $texts['faults'] = str_replace('"id": "hose.one-way"', '"id": "hose.new-one"', $texts['faults']);
        $this->expectException(BrokenCatalogue::class);
        $this->expectExceptionMessage('catalogue:fault.hose.new-one');
        $loader->check($texts);
    }

    public function testALanguageThatLacksATextIsNamed(): void
    {
        $root = \dirname(__DIR__, 2);
        $copy = sys_get_temp_dir().'/rodrel-texts-'.bin2hex(random_bytes(6));
        foreach (glob($root.'/translations/*/*.yaml') ?: [] as $file) {
            $folder = $copy.'/'.basename(\dirname($file));
            is_dir($folder) || mkdir($folder, 0o777, true);
            copy($file, $folder.'/'.basename($file));
        }
        $run = static function () use ($root, $copy): array {
            exec(\PHP_BINARY.' '.escapeshellarg($root.'/bin/texts').' '.escapeshellarg($copy), $lines, $code);

            return [$code, $lines];
        };
        self::assertSame([0, []], $run());
        $german = $copy.'/de/messages+intl-icu.de.yaml';
        $texts = (string) file_get_contents($german);
        file_put_contents($german, str_replace(
            ['    sign-out: Abmelden', 'Befund unterschreiben: {finding}', '{n, plural, =0 {Nichts offen}'],
            ['    sign-off: Abmelden', 'Befund unterschreiben', '{n, plural, =0 {Nichts offen'],
            $texts,
        ));
        [$code, $lines] = $run();
        self::assertSame(1, $code);
        self::assertCount(4, $lines, 'missing, unknown, a parameter not said, not to be read');
        // a word that the house does not use is named with the one that it does
        file_put_contents($german, str_replace('    sign-out: Abmelden', '    sign-out: Bremslampe', $texts));
        [$code, $lines] = $run();
        self::assertSame(1, $code);
        $said = implode(' ', $lines);
        self::assertStringContainsString('messages.de: app.sign-out says "Bremslampe"; the word is', $said);
        // one folder more is a language more, whose gaps are named as any other's
        file_put_contents($german, $texts);
        mkdir("$copy/sv");
        foreach (['messages', 'catalogue'] as $domain) {
            copy("$copy/en/$domain+intl-icu.en.yaml", "$copy/sv/$domain+intl-icu.sv.yaml");
        }
        self::assertSame(['en', 'de', 'sv'], Languages::in($copy));
        self::assertSame([0, []], $run());
        file_put_contents("$copy/sv/messages+intl-icu.sv.yaml", "app:\n    dark: Mörk bod\n");
        [$code, $lines] = $run();
        self::assertSame(1, $code);
        self::assertContains('messages.sv: app.sign-out is missing', $lines);
        array_map(unlink(...), glob($copy.'/*/*') ?: []);
        array_map(rmdir(...), glob($copy.'/*') ?: []);
        rmdir($copy);
    }

    /** A page of texts to be read by somebody who did not write them: the same seed draws the same ones. */
    public function testASampleToBeRead(): void
    {
        $sample = static function (string $options): array {
            $bin = escapeshellarg(\dirname(__DIR__, 2).'/bin/sample');
            exec(\PHP_BINARY." $bin $options 2>&1", $lines, $code);

            return [$code, implode("\n", $lines)];
        };
        [$code, $page] = $sample('--seed 7 --n 30 --language de');
        self::assertSame(0, $code);
        self::assertSame(30, substr_count($page, 'A ☐ B ☐ C ☐'));
        self::assertStringContainsString('<html lang="de">', $page);
        self::assertSame($page, $sample('--seed 7 --n 30 --language de')[1]);
        self::assertNotSame($page, $sample('--seed 8 --n 30 --language de')[1]);
        self::assertSame([2, 'There is no language xx: en, de'], $sample('--language xx'));
    }

    public function testTemplatesHoldNoWordsAndNoNetwork(): void
    {
        $found = [];
        foreach (
            new \RecursiveIteratorIterator(
                new \RecursiveDirectoryIterator(\dirname(__DIR__, 2).'/templates', \FilesystemIterator::SKIP_DOTS),
            ) as $file
        ) {
            $bare = (string) preg_replace(
                [
                    '~<style>.*?</style>~s',
                    '/\{#.*?#\}/s',
                    '/\{%.*?%\}/s',
                    '/\{\{.*?\}\}/s',
                    '/<[^>]*>/s',
                    '/rodrel|room-[a-z]*|N·m|\+1|0\.0|N\b|H\b|K\b|W\b|°C|×|·/',
                ],
                ' ',
                (string) file_get_contents((string) $file),
            );
            if (1 === preg_match('/[A-Za-z]{3,}/', $bare, $word)) {
                $found[] = basename((string) $file).': '.$word[0];
            }
        }
        self::assertSame([], $found);
    }
}
