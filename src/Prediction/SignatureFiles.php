<?php

declare(strict_types=1);

namespace App\Prediction;

use Rodrel\Core\Prediction\Signature;
use Rodrel\Core\Prediction\SoundSignature;

/**
 * Predictions as files of constant arrays that opcache shares: including one costs a page almost nothing. What serves
 * may not write where whoever runs the shop does: its own are in a folder beside, from which root includes nothing.
 */
final readonly class SignatureFiles
{
    /** A file so old is thrown away: it comes back from the database if anybody asks (s). */
    private const KEPT_S = 30 * 86400;

    private const SERVED = '/served';

    public function __construct(private string $signatureDir)
    {
    }

    public function signature(string $key): ?Signature
    {
        $data = $this->read($key.'.php');

        return null === $data ? null : Signature::fromArray($data);
    }

    public function sound(string $key): ?SoundSignature
    {
        $data = $this->read($key.'.sound.php');

        return null === $data ? null : SoundSignature::fromArray($data);
    }

    public function spread(Signature $signature, SoundSignature $sound): void
    {
        $this->write($signature->key.'.php', $signature->toArray());
        // pages want the medians of a sound vehicle, not the chances of its words
        $this->write($signature->key.'.sound.php', ['chances' => []] + $sound->toArray());
        $this->tidy();
    }

    /** Those of older catalogues and of vehicles that are long gone. */
    private function tidy(): void
    {
        foreach (glob($this->writable().'/*.php') ?: [] as $file) {
            if (filemtime($file) < time() - self::KEPT_S) {
                @unlink($file);
            }
        }
    }

    /** @return array<array-key, mixed>|null */
    private function read(string $name): ?array
    {
        foreach (0 === posix_geteuid() ? [''] : ['', self::SERVED] as $folder) {
            $file = $this->signatureDir.$folder.'/'.$name;
            $data = is_file($file) ? require $file : null;
            if (\is_array($data)) {
                return $data;
            }
        }

        return null;
    }

    /** @param array<string, mixed> $data */
    private function write(string $name, array $data): void
    {
        if (!is_dir($this->signatureDir)) {
            mkdir($this->signatureDir, 0o775, true);
        }
        $file = $this->writable().'/'.$name;
        $temporary = $file.'.'.bin2hex(random_bytes(4));
        if (false !== @file_put_contents($temporary, '<?php return '.var_export($data, true).';')) {
            rename($temporary, $file);
        }
    }

    private function writable(): string
    {
        $served = $this->signatureDir.self::SERVED;

        return !is_writable($this->signatureDir) && is_dir($served) ? $served : $this->signatureDir;
    }
}
