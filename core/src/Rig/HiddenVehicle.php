<?php

declare(strict_types=1);

namespace Rodrel\Core\Rig;

use Rodrel\Core\InvalidData;
use Rodrel\Core\Isolation\Field;
use Rodrel\Core\Vocabulary\CheckAt;
use Rodrel\Core\Vocabulary\GroupAt;

/** A vehicle with a fault that only it knows: answers every check from the model. */
final class HiddenVehicle
{
    private readonly \Random\Randomizer $chance;

    /**
     * @param bool $wavering draws each answer from its chances and each number with all its noise; otherwise the
     *     likeliest is given
     */
    private function __construct(
        private readonly Field $field,
        private readonly int $particle,
        \Random\Engine $engine,
        private readonly bool $wavering,
    ) {
        $this->chance = new \Random\Randomizer($engine);
    }

    /**
     * @param string $suspect fault at place, `hose.one-way@lf`
     * @param int $grade which point of the severity grid, 0 the first
     *
     * @throws InvalidData when this layout has no such fault
     */
    public static function with(
        Field $field,
        string $suspect,
        int $grade,
        \Random\Engine $engine,
        bool $wavering = false,
    ): self {
        foreach ($field->particles as $i => $particle) {
            if ($particle->suspect->is($suspect) && 0 === $grade--) {
                return new self($field, $i, $engine, $wavering);
            }
        }
        throw InvalidData::at('/suspect', \sprintf('this vehicle cannot have "%s" of that grade', $suspect));
    }

    /** Any hypothesis of the field; its answers waver as a technician's do. */
    public static function drawn(Field $field, int $particle, \Random\Engine $engine): self
    {
        return new self($field, $particle, $engine, true);
    }

    /** The group whose repair cures it. */
    public function cure(): GroupAt
    {
        return $this->field->particles[$this->particle]->group;
    }

    /**
     * @return array<string, string|float> word, or number in core units, by row
     */
    public function answer(CheckAt|string $check): array
    {
        $at = \is_string($check) ? CheckAt::parse($check) : $check;
        $answers = [];
        foreach ($this->field->knowledge->checks->of($at)->rows as $row) {
            $signature = $this->field->signature->rows[$at->row($row->id)] ?? null;
            if (null === $signature) {
                continue; // nobody asks this of such a vehicle
            }
            $noise = $row->observer->wording->noise;
            $off = $this->wavering ? $this->deviation() : 0.0;
            $answers[$row->id] = isset($signature['medians'])
                ? round($signature['medians'][$this->particle] * exp($noise * $off), 1)
                : $this->word($signature['words'], $signature['table'][$signature['index'][$this->particle]]);
        }

        return $answers;
    }

    /**
     * @param list<string> $words
     * @param list<float> $chances
     */
    private function word(array $words, array $chances): string
    {
        if (!$this->wavering) {
            arsort($chances);

            return $words[array_key_first($chances) ?? 0];
        }
        $left = $this->chance->getInt(0, 1_000_000) / 1_000_000.0;
        foreach ($chances as $i => $chance) {
            $left -= $chance;
            if ($left <= 0.0) {
                return $words[$i];
            }
        }

        return $words[\count($words) - 1];
    }

    /** About standard normal: twelve uniform draws less six. */
    private function deviation(): float
    {
        $sum = -6.0;
        for ($i = 0; $i < 12; ++$i) {
            $sum += $this->chance->getInt(0, 1_000_000) / 1_000_000.0;
        }

        return $sum;
    }
}
