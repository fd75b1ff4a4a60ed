<?php

declare(strict_types=1);

namespace App\Prediction;

use App\Catalogue\SourceHash;
use Doctrine\ORM\EntityManagerInterface;
use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Fault\Fault;
use Rodrel\Core\Prediction\FaultSignature;
use Rodrel\Core\Prediction\Prediction;
use Rodrel\Core\Prediction\PredictionKeys;
use Rodrel\Core\Prediction\Signature;
use Rodrel\Core\Prediction\SoundSignature;
use Rodrel\Core\Vehicle\Layout;
use Symfony\Component\Clock\ClockInterface;
use Symfony\Component\Messenger\MessageBusInterface;
use Symfony\Component\Messenger\Stamp\TransportNamesStamp;

/**
 * What every fault of a vehicle would show: looked up as a file of constants on this node, then put together from the
 * database, where it is kept fault by fault, else asked of the worker. Never computed inside a web request.
 */
final class Predictions
{
    /** @var array<string, Signature> */
    private array $loaded = [];
    /** @var array<string, SoundSignature> */
    private array $sounds = [];
    /** @var array<string, string> key by what the layout is */
    private array $keyOf = [];
    private readonly PredictionKeys $keys;

    public function __construct(
        private readonly Catalogue $catalogue,
        private readonly EntityManagerInterface $entities,
        private readonly MessageBusInterface $bus,
        private readonly ClockInterface $clock,
        private readonly SignatureFiles $files,
        private readonly Orders $orders,
        SourceHash $sources,
    ) {
        $this->keys = $catalogue->keys($sources->predicting());
    }

    /** The identity of all predictions of a layout. */
    public function key(Layout $layout): string
    {
        return $this->keyOf[serialize($layout)] ??= $this->keys->all($layout);
    }

    /**
     * What a sound vehicle shows; null when its predictions are not there yet, then they have been ordered.
     *
     * @param array<array-key, mixed> $document what the layout was read from: the worker reads it again
     */
    public function sound(Layout $layout, array $document): ?SoundSignature
    {
        $key = $this->key($layout);
        $found = $this->sounds[$key] ?? $this->files->sound($key) ?? $this->assembled($layout)[1] ?? null;
        if (null === $found) {
            $this->order($key, $document);

            return null;
        }

        return $this->sounds[$key] = $found;
    }

    /** Null when it is not there yet. */
    public function signature(Layout $layout): ?Signature
    {
        $key = $this->key($layout);
        $found = $this->loaded[$key] ?? $this->files->signature($key) ?? $this->assembled($layout)[0] ?? null;
        if (null !== $found) {
            $this->loaded[$key] = $found;
        }

        return $found;
    }

    /** @return array{int, int} faults done, of how many */
    public function howFar(Layout $layout): array
    {
        return $this->entities->find(StoredSignature::class, $this->key($layout))?->howFar() ?? [0, 0];
    }

    /**
     * Computes what is missing, fault by fault; what is known already is kept.
     *
     * @param array<array-key, mixed> $document of a layout
     *
     * @return array{Signature, int} all of it, and how many faults had to be computed
     */
    public function compute(array $document): array
    {
        $layout = Layout::fromArray($document);
        $known = $this->signature($layout);
        if (null !== $known) {
            return [$known, 0];
        }
        $whole = $this->row($this->key($layout), $layout->id);
        $prediction = new Prediction(
            $layout,
            $this->catalogue->checks,
            $this->catalogue->complaints,
            $this->keys,
        );
        // before anything else: all others are held against it
        $sound = SideBySide::undisturbed(static fn (): array => $prediction->sound()->toArray());
        $this->row($this->keys->sound($layout), $layout->id)->finish($sound);
        $rows = $open = [];
        foreach ($this->catalogue->faults->all as $fault) {
            $row = $this->row($this->keys->fault($layout, $fault), $layout->id);
            if (null === $row->data()) {
                $rows[] = $row;
                $open[] = $fault;
            }
        }
        $there = \count($this->catalogue->faults) - \count($open);
        (new FaultByFault($prediction))->run(
            $open,
            function (int $n, FaultSignature $signature, int $begun) use ($rows, $whole, $there): void {
                $rows[$n]->finish($signature->toArray());
                $whole->progress($there + $begun, \count($this->catalogue->faults));
                $this->entities->flush();
            },
        );

        return [
            $this->assembled($layout)[0] ?? throw new \LogicException('Every piece was just computed.'),
            \count($open),
        ];
    }

    /**
     * Puts the pieces together and spreads them to this node; null where one is missing.
     *
     * @return array{Signature, SoundSignature}|null
     */
    private function assembled(Layout $layout): ?array
    {
        $ids = [$this->keys->sound($layout), ...array_map(
            fn (Fault $fault): string => $this->keys->fault($layout, $fault),
            array_values($this->catalogue->faults->all),
        )];
        $pieces = [];
        foreach ($this->entities->getRepository(StoredSignature::class)->findBy(['key' => $ids]) as $row) {
            $data = $row->data();
            if (null !== $data) {
                $pieces[$row->key] = $data;
            }
        }
        $faults = [];
        foreach (\array_slice($ids, 1) as $id) {
            if (!isset($pieces[$id])) {
                return null;
            }
            $faults[] = FaultSignature::fromArray($pieces[$id]);
        }
        if (!isset($pieces[$ids[0]])) {
            return null;
        }
        $key = $this->key($layout);
        $sound = SoundSignature::fromArray($pieces[$ids[0]]);
        $signature = Signature::of($key, $layout, $this->catalogue->checks, $sound, $faults);
        $this->files->spread($signature, $sound);

        return [$this->loaded[$key] = $signature, $this->sounds[$key] = $sound];
    }

    private function row(string $key, string $preset): StoredSignature
    {
        $row = $this->entities->find(StoredSignature::class, $key)
            ?? new StoredSignature($key, $preset, $this->clock->now());
        $this->entities->persist($row);

        return $row;
    }

    /** @param array<array-key, mixed> $document */
    private function order(string $key, array $document): void
    {
        if ($this->orders->take($key, \is_string($document['id'] ?? null) ? $document['id'] : '')) {
            $this->bus->dispatch(new ComputeSignature($document), [new TransportNamesStamp(['first'])]);
        }
    }
}
