<?php

declare(strict_types=1);

namespace App\Photo;

use App\Input\InvalidInput;

/** Re-encodes what a camera sent: at most 1600 pixels a side, JPEG, upright, without its metadata. */
final readonly class Darkroom
{
    private const LONGEST = 1600;
    private const QUALITY = 82;
    /** Four bytes each, twice: 200 MB at most. Phones that take more have a setting for less. */
    private const MOST_PIXELS = 24_000_000;

    /**
     * @return array{jpeg: string, width: int, height: int}
     *
     * @throws InvalidInput when it is no picture
     */
    public function develop(string $file): array
    {
        $size = @getimagesize($file);
        if (false === $size || !\in_array($size[2], [\IMAGETYPE_JPEG, \IMAGETYPE_PNG, \IMAGETYPE_WEBP], true)) {
            throw InvalidInput::because('input.no-picture');
        }
        if ($size[0] * $size[1] > self::MOST_PIXELS) {
            throw InvalidInput::because('input.picture-large');
        }
        $image = @imagecreatefromstring((string) file_get_contents($file));
        if (false === $image) {
            throw InvalidInput::because('input.no-picture');
        }
        $scale = min(1.0, self::LONGEST / max(imagesx($image), imagesy($image)));
        $width = max(1, (int) round(imagesx($image) * $scale));
        $height = max(1, (int) round(imagesy($image) * $scale));
        $small = imagecreatetruecolor($width, $height);
        imagefill($small, 0, 0, (int) imagecolorallocate($small, 255, 255, 255));
        imagecopyresampled($small, $image, 0, 0, 0, 0, $width, $height, imagesx($image), imagesy($image));
        unset($image);
        $small = $this->upright($small, $file, $size[2]);
        ob_start();
        imagejpeg($small, null, self::QUALITY);

        return ['jpeg' => (string) ob_get_clean(), 'width' => imagesx($small), 'height' => imagesy($small)];
    }

    /** Phones note in the metadata how they were held; what the metadata said is turned into the picture itself. */
    private function upright(\GdImage $image, string $file, int $type): \GdImage
    {
        $data = \IMAGETYPE_JPEG === $type && \function_exists('exif_read_data') ? @exif_read_data($file) : false;
        $turn = match (\is_array($data) ? $data['Orientation'] ?? 1 : 1) {
            3 => 180,
            6 => -90,
            8 => 90,
            default => 0,
        };
        $turned = 0 === $turn ? $image : imagerotate($image, $turn, 0);

        return false === $turned ? $image : $turned;
    }
}
