<?php

declare(strict_types=1);

namespace App\Prediction;

use Doctrine\ORM\Mapping as ORM;

/** One fault's predictions for one layout, compressed; or the record of an order, with how far it is. */
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
    public readonly \DateTimeImmutable $askedAt;

    public function __construct(string $key, string $preset, \DateTimeImmutable $askedAt)
    {
        $this->key = $key;
        $this->preset = $preset;
        $this->askedAt = $askedAt;
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

    /** @param array<string, mixed> $data */
    public function finish(array $data): void
    {
        $json = json_encode($data, \JSON_THROW_ON_ERROR | \JSON_PRESERVE_ZERO_FRACTION);
        $this->data = base64_encode((string) gzcompress($json, 6));
    }

    /** @return array<string, mixed>|null null where it is not computed yet, or is the record of an order */
    public function data(): ?array
    {
        if (null === $this->data) {
            return null;
        }
        $data = json_decode(
            (string) gzuncompress((string) base64_decode($this->data, true)),
            true,
            512,
            \JSON_THROW_ON_ERROR,
        );

        return \is_array($data) ? $data : null;
    }
}
