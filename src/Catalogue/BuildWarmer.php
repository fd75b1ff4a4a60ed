<?php

declare(strict_types=1);

namespace App\Catalogue;

use Symfony\Component\HttpKernel\CacheWarmer\CacheWarmerInterface;

/**
 * Writes down at build time what would cost every page its time: the catalogue as read, and the identity of the
 * sources.
 */
final readonly class BuildWarmer implements CacheWarmerInterface
{
    public function __construct(
        private CatalogueLoader $loader,
        private SourceHash $sources,
        private string $cacheDir,
    ) {
    }

    public function isOptional(): bool
    {
        return false;
    }

    public function warmUp(string $cacheDir, ?string $buildDir = null): array
    {
        $write = static function (string $file, string $content): void {
            $temporary = $file.'.'.bin2hex(random_bytes(4));
            file_put_contents($temporary, $content);
            rename($temporary, $file);
        };
        $write($this->cacheDir.'/sources.php', '<?php return '.var_export($this->sources->compute(), true).';');
        $write($this->cacheDir.'/catalogue.ser', serialize($this->loader->parse()));

        return [];
    }
}
