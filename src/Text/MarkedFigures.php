<?php

declare(strict_types=1);

namespace App\Text;

use Symfony\Component\DependencyInjection\Attribute\AsDecorator;
use Symfony\Component\DependencyInjection\Attribute\AutowireDecorated;
use Symfony\Component\HttpKernel\CacheWarmer\WarmableInterface;
use Symfony\Component\Translation\MessageCatalogueInterface;
use Symfony\Component\Translation\TranslatorBagInterface;
use Symfony\Contracts\Translation\LocaleAwareInterface;
use Symfony\Contracts\Translation\TranslatorInterface;

/** Every text, on a page, on paper or in a file, with its figures in the reader's unit: see Units::marked. */
#[AsDecorator('translator')]
final readonly class MarkedFigures implements Translates, WarmableInterface
{
    public function __construct(
        #[AutowireDecorated] private TranslatorInterface&TranslatorBagInterface&LocaleAwareInterface $inner,
        private Units $units,
    ) {
    }

    /** @param array<array-key, mixed> $parameters */
    public function trans(
        string $id,
        array $parameters = [],
        ?string $domain = null,
        ?string $locale = null,
    ): string {
        return $this->units->marked($this->inner->trans($id, $parameters, $domain, $locale));
    }

    public function getLocale(): string
    {
        return $this->inner->getLocale();
    }

    public function setLocale(string $locale): void
    {
        $this->inner->setLocale($locale);
    }

    public function getCatalogue(?string $locale = null): MessageCatalogueInterface
    {
        return $this->inner->getCatalogue($locale);
    }

    /** @return list<MessageCatalogueInterface> */
    public function getCatalogues(): array
    {
        return array_values($this->inner->getCatalogues());
    }

    /** What the web server may not write is written at build time. */
    public function warmUp(string $cacheDir, ?string $buildDir = null): array
    {
        return $this->inner instanceof WarmableInterface ? $this->inner->warmUp($cacheDir, $buildDir) : [];
    }
}
