<?php

declare(strict_types=1);

namespace App\Prediction;

use Doctrine\ORM\Mapping as ORM;

/** A computed signature, compressed, or one on its way. */
#[ORM\Entity]
#[ORM\Table(name: 'signature')]
class StoredSignature
{
    #[ORM\Id]
    #[ORM\Column(name: 'hash', length: 64)]
    public readonly string $key;

    #[ORM\Column(length: 60)]
    public readonly string $preset;

    #[ORM\Column]
    private int $done = 0;

    #[ORM\Column]
    private int $total = 0;

    #[ORM\Column(type: 'text', nullable: true)]
    private ?string $data = null;

    #[ORM\Column(type: 'datetimetz_immutable')]
    private \DateTimeImmutable $askedAt;

    public function __construct(string $key, string $preset, \DateTimeImmutable $askedAt)
    {
        $this->key = $key;
        $this->preset = $preset;
        $this->askedAt = $askedAt;
    }

    public function askAgain(\DateTimeImmutable $at): void
    {
        $this->askedAt = $at;
    }

    public function askedAt(): \DateTimeImmutable
    {
        return $this->askedAt;
    }

    public function progress(int $done, int $total): void
    {
        $this->done = $done;
        $this->total = $total;
    }

    /** @return array{int, int} */
    public function howFar(): array
    {
        return [$this->done, $this->total];
    }

    /** @param array<string, mixed> $signature */
    public function finish(array $signature): void
    {
        $this->data = base64_encode((string) gzcompress(json_encode($signature, \JSON_THROW_ON_ERROR | \JSON_PRESERVE_ZERO_FRACTION), 6));
        $this->done = $this->total;
    }

    /** @return array<string, mixed>|null */
    public function signature(): ?array
    {
        if (null === $this->data) {
            return null;
        }
        $data = json_decode((string) gzuncompress((string) base64_decode($this->data, true)), true, 512, \JSON_THROW_ON_ERROR);

        return \is_array($data) ? $data : null;
    }
}
