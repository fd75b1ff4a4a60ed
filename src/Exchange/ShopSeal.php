<?php

declare(strict_types=1);

namespace App\Exchange;

use Doctrine\DBAL\Connection;

/**
 * Tells the shop's own files from everybody else's: a keyed hash over the document, with a key that is made once and
 * never leaves the database. Only a file with our own seal is a backup; every other one is a claim.
 */
final class ShopSeal
{
    private ?string $key = null;

    public function __construct(private readonly Connection $database)
    {
    }

    /** @param array<string, mixed> $document without its seal */
    public function of(array $document): string
    {
        $flags
            = \JSON_UNESCAPED_SLASHES | \JSON_UNESCAPED_UNICODE | \JSON_PRESERVE_ZERO_FRACTION | \JSON_THROW_ON_ERROR;

        return hash_hmac('sha256', json_encode($document, $flags), $this->key());
    }

    /** @param array<string, mixed> $document with its seal, as it came in */
    public function isOurs(array $document): bool
    {
        $seal = $document['seal'] ?? null;
        unset($document['seal']);

        return \is_string($seal) && hash_equals($this->of($document), $seal);
    }

    private function key(): string
    {
        if (null === $this->key) {
            $this->database->executeStatement(
                'INSERT INTO shop_seal (id, key) VALUES (1, ?) ON CONFLICT (id) DO NOTHING',
                [bin2hex(random_bytes(32))],
            );
            $key = $this->database->fetchOne('SELECT key FROM shop_seal WHERE id = 1');
            $this->key = \is_string($key) ? $key : throw new \LogicException('The seal was just made.');
        }

        return $this->key;
    }
}
