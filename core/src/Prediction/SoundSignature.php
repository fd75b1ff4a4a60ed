<?php

declare(strict_types=1);

namespace Rodrel\Core\Prediction;

use Rodrel\Core\Check\Check;
use Rodrel\Core\Shape;
use Rodrel\Core\Vocabulary\CheckAt;

/** What a sound vehicle shows: chances of the words, and the median of every row that takes a number. */
final readonly class SoundSignature
{
    /**
     * @param array<string, non-empty-list<float>> $chances by row key
     * @param array<string, float> $medians by row key
     */
    public function __construct(public string $key, public array $chances, public array $medians)
    {
    }

    /** What a sound vehicle shows where a number is typed, in core units; 1 elsewhere. */
    public function median(CheckAt $check, string $row): float
    {
        return $this->medians[$check->row($row)] ?? 1.0;
    }

    /** The word that a typed number falls under in this vehicle. */
    public function wordOf(Check $check, CheckAt $at, string $row, float $number): string
    {
        $wording = ($check->row($row) ?? $check->firstRow())->observer->wording;

        return $wording->wordFor($number, $wording->relativeToSound ? $this->median($at, $row) : 1.0);
    }

    /** @return array{key: string, chances: array<string, list<float>>, medians: array<string, float>} */
    public function toArray(): array
    {
        return ['key' => $this->key, 'chances' => $this->chances, 'medians' => $this->medians];
    }

    /** @param array<array-key, mixed> $data as from toArray(); taken as it is, since reading it must cost nothing */
    public static function fromArray(array $data): self
    {
        $shape = new Shape($data, '/sound');
        /** @var array<string, non-empty-list<float>> $chances */
        $chances = $shape->raw('chances');
        /** @var array<string, float> $medians */
        $medians = $shape->raw('medians');

        return new self($shape->text('key'), $chances, $medians);
    }
}
