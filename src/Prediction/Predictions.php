<?php

declare(strict_types=1);

namespace App\Prediction;

use Doctrine\ORM\EntityManagerInterface;
use Rodrel\Core\Catalogue;
use Rodrel\Core\Check\Signature;
use Rodrel\Core\Check\SignatureBuilder;
use Rodrel\Core\Vehicle\Layout;
use Symfony\Component\Clock\ClockInterface;
use Symfony\Component\Messenger\MessageBusInterface;

/**
 * Signatures: looked up as a file of constants on this node, then in the database, else asked of the worker.
 * Never computed inside a web request.
 */
final class Predictions
{
    /** An order not finished after so long was lost with its worker and is given again. */
    private const LOST_AFTER_S = 120;
    /** @var array<string, Signature> */
    private array $loaded = [];
    private readonly SignatureBuilder $builder;

    public function __construct(
        private readonly Catalogue $catalogue,
        private readonly EntityManagerInterface $entities,
        private readonly MessageBusInterface $bus,
        private readonly ClockInterface $clock,
        private readonly string $signatureDir,
    ) {
        $this->builder = new SignatureBuilder($catalogue);
    }

    /**
     * Null when it is not there yet; then it has been ordered.
     *
     * @param array<array-key, mixed> $document what the layout was read from: the worker reads it again
     */
    public function ready(Layout $layout, array $document): ?Signature
    {
        $key = $this->builder->key($layout);

        return $this->loaded[$key] ?? $this->fromFile($key) ?? $this->fromDatabase($key) ?? $this->order($key, $document);
    }

    /** @return array{int, int} hypotheses done, of how many */
    public function howFar(Layout $layout): array
    {
        return $this->entities->find(StoredSignature::class, $this->builder->key($layout))?->howFar() ?? [0, 0];
    }

    /** @param array<array-key, mixed> $document of a layout */
    public function compute(array $document): Signature
    {
        $layout = Layout::fromArray($document);
        $key = $this->builder->key($layout);
        $known = $this->fromFile($key) ?? $this->fromDatabase($key);
        if (null !== $known) {
            return $known;
        }
        $row = $this->entities->find(StoredSignature::class, $key) ?? new StoredSignature($key, $layout->id, $this->clock->now());
        $this->entities->persist($row);
        $signature = $this->builder->build($layout, function (int $done, int $total) use ($row): void {
            if (0 === $done % 20) {
                $row->progress($done, $total);
                $this->entities->flush();
            }
        });
        $row->finish($signature->toArray());
        $this->entities->flush();

        return $this->spread($signature);
    }

    private function fromFile(string $key): ?Signature
    {
        $file = $this->file($key);
        if (!is_file($file)) {
            return null;
        }
        $data = require $file;

        return \is_array($data) ? $this->loaded[$key] = Signature::fromArray($data) : null;
    }

    private function fromDatabase(string $key): ?Signature
    {
        $data = $this->entities->find(StoredSignature::class, $key)?->signature();

        return null === $data ? null : $this->spread(Signature::fromArray($data));
    }

    /** @param array<array-key, mixed> $document */
    private function order(string $key, array $document): null
    {
        $row = $this->entities->find(StoredSignature::class, $key);
        $now = $this->clock->now();
        if (null === $row) {
            $this->entities->persist(new StoredSignature($key, \is_string($document['id'] ?? null) ? $document['id'] : '', $now));
        } elseif ($now->getTimestamp() - $row->askedAt()->getTimestamp() < self::LOST_AFTER_S) {
            return null;
        } else {
            $row->askAgain($now);
        }
        $this->entities->flush();
        $this->bus->dispatch(new ComputeSignature($document));

        return null;
    }

    /** A constant array that opcache shares costs a page almost nothing; reading the row would cost it its time. */
    private function spread(Signature $signature): Signature
    {
        if (!is_dir($this->signatureDir)) {
            mkdir($this->signatureDir, 0o775, true);
        }
        $file = $this->file($signature->key);
        $temporary = $file.'.'.bin2hex(random_bytes(4));
        if (false !== @file_put_contents($temporary, '<?php return '.var_export($signature->toArray(), true).';')) {
            rename($temporary, $file);
        }

        return $this->loaded[$signature->key] = $signature;
    }

    private function file(string $key): string
    {
        return $this->signatureDir.'/'.$key.'.php';
    }
}
