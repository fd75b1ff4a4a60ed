<?php

declare(strict_types=1);

namespace App\Prediction;

use App\Catalogue\SourceHash;
use Doctrine\ORM\EntityManagerInterface;
use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Prediction\FaultSignature;
use Rodrel\Core\Prediction\Prediction;
use Rodrel\Core\Prediction\PredictionKeys;
use Rodrel\Core\Vehicle\Layout;
use Rodrel\Core\Vocabulary\SuspectAt;
use Symfony\Component\Clock\ClockInterface;
use Symfony\Component\Messenger\MessageBusInterface;

/** What two faults at once would show: kept pair by pair in the database, computed by the worker as jobs ask for it. */
final class StoredPairs
{
    private readonly PredictionKeys $keys;

    public function __construct(
        private readonly Catalogue $catalogue,
        private readonly EntityManagerInterface $entities,
        private readonly MessageBusInterface $bus,
        private readonly Orders $orders,
        private readonly ClockInterface $clock,
        SourceHash $sources,
    ) {
        $this->keys = $catalogue->keys($sources->predicting());
    }

    /** @param array<array-key, mixed> $document what the layout was read from: the worker reads it again */
    public function shelf(array $document): DatabaseShelf
    {
        return new DatabaseShelf($this, $document);
    }

    /**
     * @param array<array-key, mixed> $document
     * @param array<string, array{SuspectAt, SuspectAt}> $couples by both names
     *
     * @return array{array<string, FaultSignature>, list<string>} those that are there, and the keys of the others,
     *     which are ordered
     */
    public function find(array $document, Layout $layout, array $couples): array
    {
        $keys = array_map(fn (array $couple): string => $this->keys->pair($layout, ...$couple), $couples);
        $rows = [];
        $stored = $this->entities->getRepository(StoredSignature::class);
        foreach ($stored->findBy(['key' => array_values($keys)]) as $row) {
            $rows[$row->key] = $row;
        }
        $found = $missing = $keysMissing = [];
        foreach ($couples as $name => [$one, $other]) {
            $row = $rows[$keys[$name]] ?? null;
            $data = $row?->data();
            if (null !== $data) {
                $found[$name] = FaultSignature::fromArray($data);
                continue;
            }
            $keysMissing[] = $keys[$name];
            if ($this->orders->take($keys[$name], $layout->id)) {
                $missing[] = [(string) $one, (string) $other];
            }
        }
        if ([] !== $missing) {
            $this->bus->dispatch(new ComputePairs($document, $missing));
        }

        return [$found, $keysMissing];
    }

    /**
     * Whether all that was ordered is still to come: nothing can be judged better until then.
     *
     * @param list<string> $keys as find() names them
     */
    public function areAwaited(array $keys): bool
    {
        return $this->orders->areAwaited($keys);
    }

    /**
     * @param array<array-key, mixed> $document of a layout
     * @param list<array{string, string}> $pairs suspects
     */
    public function compute(array $document, array $pairs): void
    {
        $layout = Layout::fromArray($document);
        $prediction = new Prediction($layout, $this->catalogue->checks, $this->catalogue->complaints, $this->keys);
        $rows = $tasks = [];
        foreach ($pairs as $pair) {
            [$one, $other] = array_map(SuspectAt::parse(...), $pair);
            $key = $this->keys->pair($layout, $one, $other);
            $row = $this->entities->find(StoredSignature::class, $key)
                ?? new StoredSignature($key, $layout->id, $this->clock->now());
            if (null === $row->data()) {
                $rows[] = $row;
                $tasks[] = fn (): array => $prediction->pair($this->catalogue->faults, $one, $other)->toArray();
            }
        }
        SideBySide::run($tasks, function (int $n, array $data) use ($rows): void {
            $rows[$n]->finish($data);
            $this->entities->persist($rows[$n]);
            $this->entities->flush();
        });
    }
}
