<?php

declare(strict_types=1);

namespace App\Finding;

use App\Input\InvalidInput;
use App\Job\LoadedJob;
use App\Text\Say;
use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Isolation\CitedReading;
use Rodrel\Core\Isolation\Reading;
use Rodrel\Core\Log\Payload\FindingNotes;
use Rodrel\Core\Log\Payload\FindingPayload;
use Rodrel\Core\Vocabulary\GroupAt;

/** What a signature freezes: the sentence, the belief, the readings and their weights, with hashes. */
final readonly class SignedFinding
{
    public function __construct(private Catalogue $catalogue, private Say $say)
    {
    }

    /**
     * @param string $against why the technician signs something else than the leading group, may be empty
     *
     * @throws InvalidInput
     */
    public function payload(LoadedJob $loaded, GroupAt $group, string $against): FindingPayload
    {
        if (!isset($this->catalogue->faults->repairsIn($loaded->layout)[(string) $group])) {
            throw InvalidInput::because('input.group');
        }
        $readings = array_map(
            static fn (Reading $reading): string => $reading->entry(),
            $loaded->state->situation->readings,
        );
        if ($loaded->keepsSilent()) {
            // nobody but who signs it says so
            $notes = new FindingNotes('', $this->catalogue->hash, '');

            return new FindingPayload($group, $this->say->saidFinding($group), 0.0, 0.0, $readings, [], $notes);
        }
        $judgement = $loaded->judgement() ?? throw InvalidInput::because('gate.predictions-first');
        $against = trim($against);
        $leader = $judgement->leader();
        if (!$leader->is($group) && '' === $against) {
            throw InvalidInput::because('input.against', ['leader' => $this->say->group($leader)]);
        }
        if ('' === $against && null !== $judgement->advice->again) {
            throw InvalidInput::because('input.contradiction');
        }

        return new FindingPayload(
            $group,
            $this->say->saidFinding($group, $this->say->leading($judgement, $group)),
            round($judgement->group($group), 4),
            round($judgement->second, 4),
            $readings,
            array_map($this->argument(...), $judgement->arguments[(string) $group] ?? []),
            new FindingNotes($against, $this->catalogue->hash, $judgement->margins->signature),
        );
    }

    /** @return array{check: string, said: string, ratio: float, weight: string} */
    private function argument(CitedReading $spoken): array
    {
        return [
            'check' => (string) $spoken->check,
            'said' => $this->say->check($spoken->check).': '.$this->say->outcome($spoken->check, $spoken->outcomes),
            'ratio' => round($spoken->ratio, 3),
            'weight' => $spoken->weight->value,
        ];
    }
}
