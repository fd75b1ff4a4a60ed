<?php

declare(strict_types=1);

namespace App\Tests\Functional;

use App\Prediction\SignatureFiles;
use PHPUnit\Framework\TestCase;
use Rodrel\Core\Prediction\SoundSignature;
use Rodrel\Core\Tests\World;

final class SignatureFilesTest extends TestCase
{
    public function testFilesOfLongAgoGoWithTheNextThatComes(): void
    {
        $folder = sys_get_temp_dir().'/rodrel-signatures-'.bin2hex(random_bytes(4));
        mkdir($folder);
        foreach (['old' => 31, 'young' => 29] as $name => $days) {
            file_put_contents("$folder/$name.php", '<?php return [];');
            touch("$folder/$name.php", time() - 86400 * $days);
        }
        $files = new SignatureFiles($folder);
        $signature = World::field('wet-disc-loader')->signature;
        $files->spread($signature, new SoundSignature('k', [], ['pedal@vehicle/travel' => 62.0]));
        self::assertFileDoesNotExist("$folder/old.php");
        self::assertFileExists("$folder/young.php");
        self::assertEquals($signature, $files->signature($signature->key));
        self::assertSame(62.0, $files->sound($signature->key)?->medians['pedal@vehicle/travel']);
    }
}
