<?php

declare(strict_types=1);

namespace App\Instrument;

use Doctrine\DBAL\Connection;

/** The shop's one token for its bridges. Only its hash is kept: it is shown once, and a new one ends the old one. */
final readonly class Pairing
{
    private const MARK = 'instruments';
    private const BYTES = 24;

    public function __construct(private Connection $database)
    {
    }

    public function renew(): string
    {
        $token = rtrim(strtr(base64_encode(random_bytes(self::BYTES)), '+/', '-_'), '=');
        $this->database->executeStatement(
            'INSERT INTO shop_mark (name, data) VALUES (:name, :data) ON CONFLICT (name) DO UPDATE SET data = :data',
            ['name' => self::MARK, 'data' => json_encode(['sha256' => hash('sha256', $token)], \JSON_THROW_ON_ERROR)],
        );

        return $token;
    }

    public function isPaired(): bool
    {
        return '' !== $this->hash();
    }

    public function fits(string $token): bool
    {
        return '' !== $this->hash() && hash_equals($this->hash(), hash('sha256', $token));
    }

    private function hash(): string
    {
        $data = $this->database->fetchOne('SELECT data FROM shop_mark WHERE name = ?', [self::MARK]);
        $read = \is_string($data) ? json_decode($data, true) : null;
        $hash = \is_array($read) ? $read['sha256'] ?? '' : '';

        return \is_string($hash) ? $hash : '';
    }
}
