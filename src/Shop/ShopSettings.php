<?php

declare(strict_types=1);

namespace App\Shop;

use Rodrel\Core\InvalidData;
use Rodrel\Core\Isolation\Settings;
use Rodrel\Core\Shape;

/** The shop's own figures and choices, read from one file until they can be edited on a page. */
final readonly class ShopSettings
{
    private Shape $shape;
    public Settings $isolation;

    public function __construct(string $projectDir, string $settingsFile)
    {
        $path = str_starts_with($settingsFile, '/') ? $settingsFile : $projectDir.'/'.$settingsFile;
        $text = is_file($path) ? file_get_contents($path) : false;
        $data = \is_string($text) ? json_decode($text, true) : null;
        if (!\is_array($data)) {
            throw InvalidData::at('', \sprintf('the settings file %s is missing or not JSON (%s)', $settingsFile, json_last_error_msg()));
        }
        $this->shape = new Shape($data);
        $this->isolation = Settings::fromShape($this->shape);
    }

    public function name(): string
    {
        return $this->shape->text('name');
    }

    public function currency(): string
    {
        return $this->shape->text('currency');
    }

    public function timeZone(): \DateTimeZone
    {
        return new \DateTimeZone($this->shape->text('time_zone'));
    }

    public function school(string $question): string
    {
        return $this->shape->in('schools')->text($question);
    }
}
