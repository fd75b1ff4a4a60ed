<?php

declare(strict_types=1);

namespace App\Inboard;

use App\Job\LoadedJob;
use App\Text\Say;
use App\Text\Units;
use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Vocabulary\CheckAt;
use Rodrel\Core\Vocabulary\Place;

/** The checks of one bench as rows: what each told, or that it is open. */
final readonly class ReadRows
{
    public function __construct(private Catalogue $catalogue, private Say $say, private Units $units)
    {
    }

    /**
     * @param list<string> $checks ids, of the whole vehicle
     *
     * @return list<array{check: string, name: string, said: string|null}> those this vehicle has, read or open
     */
    public function of(LoadedJob $loaded, array $checks): array
    {
        $rows = [];
        foreach ($checks as $id) {
            $at = CheckAt::of($id, Place::vehicle());
            if ($this->catalogue->checks->of($at)->places->has($loaded->layout, $at->place)) {
                $reading = $loaded->state->situation->reading($at);
                $figures = [];
                foreach ($reading->numbers ?? [] as $row => $number) {
                    $typed = $this->catalogue->checks->of($at)->row((string) $row)?->observer->typed;
                    $figures[] = null === $typed ? '' : $this->units->say($number, $typed->quantity, $typed->unit);
                }
                $rows[] = [
                    'check' => (string) $at,
                    'name' => $this->say->check($at),
                    'said' => null === $reading
                        ? null
                        : trim(implode(', ', $figures).' '.$this->say->outcome($at, $reading->outcomes)),
                ];
            }
        }

        return $rows;
    }
}
