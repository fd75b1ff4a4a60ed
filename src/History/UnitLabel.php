<?php

declare(strict_types=1);

namespace App\History;

use App\Shop\ShopSettings;
use Symfony\Component\Process\Process;
use Symfony\Component\Routing\Generator\UrlGeneratorInterface;
use Symfony\Component\Uid\Uuid;

/** A label that opens a vehicle's page: its address as a QR code, drawn by Debian's `qrencode`. */
final readonly class UnitLabel
{
    private const PATIENCE_S = 5.0;

    public function __construct(private ShopSettings $shop, private UrlGeneratorInterface $urls)
    {
    }

    /** The address under which the shop's devices reach this vehicle: the shop's own, or the one of this page. */
    public function address(Uuid $vehicle): string
    {
        $own = $this->shop->address();
        $path = $this->urls->generate('vehicle', ['id' => (string) $vehicle]);

        return '' === $own
            ? $this->urls->generate('vehicle', ['id' => (string) $vehicle], UrlGeneratorInterface::ABSOLUTE_URL)
            : rtrim($own, '/').$path;
    }

    /** The path's data of every dark module in one; null where the program is missing. */
    public function svg(Uuid $vehicle): ?string
    {
        $process = new Process(['qrencode', '-t', 'SVG', '-m', '2', '-o', '-', '--', $this->address($vehicle)]);
        $process->setTimeout(self::PATIENCE_S);

        return 0 === $process->run() ? self::inner($process->getOutput()) : null;
    }

    /** Without its prologue, so that it can stand in a page. */
    private static function inner(string $svg): ?string
    {
        $from = strpos($svg, '<svg');

        return false === $from ? null : substr($svg, $from);
    }
}
