<?php

declare(strict_types=1);

namespace App\Repair;

use App\Job\LoadedJob;
use App\Text\Csv;
use App\Text\Say;
use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Log\Payload\PreparedPayload;

/** Parts and consumables of a visit, counted, without the tools; what lies here already is told. */
final readonly class PartsList
{
    public function __construct(private Catalogue $catalogue, private Say $say)
    {
    }

    /** @return list<array{id: string, what: string, count: int, here: bool}> */
    public function of(LoadedJob $loaded): array
    {
        $here = array_map(
            static fn (PreparedPayload $one): string => $one->item,
            $loaded->state->story->now()->said(PreparedPayload::class),
        );
        $visit = $this->catalogue->repairs->visit;
        $parts = [];
        foreach ($loaded->state->sheet()->prepare ?? [] as ['id' => $id, 'count' => $count]) {
            if (!\in_array($id, [...$visit->tools, ...$visit->noParts], true)) {
                $parts[] = [
                    'id' => $id,
                    'what' => $this->say->text('prepare.'.$id),
                    'count' => $count,
                    'here' => \in_array($id, $here, true),
                ];
            }
        }

        return $parts;
    }

    public function csv(LoadedJob $loaded): string
    {
        return Csv::of([
            array_map(
                fn (string $head): string => $this->say->ui('parts.'.$head),
                ['unit', 'what', 'count', 'here'],
            ),
            ...array_map(fn (array $part): array => [
                $loaded->job->unit(),
                $part['what'],
                (string) $part['count'],
                $this->say->ui($part['here'] ? 'parts.yes' : 'parts.no'),
            ], $this->of($loaded)),
        ]);
    }
}
