<?php

declare(strict_types=1);

namespace App\Text;

use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Isolation\Judgement;
use Rodrel\Core\Log\Payload\FittedPart;
use Rodrel\Core\Log\Payload\IntakePayload;
use Rodrel\Core\Log\Payload\ItemPayload;
use Rodrel\Core\Log\Payload\Said;
use Rodrel\Core\Vocabulary\ApartAt;
use Rodrel\Core\Vocabulary\CheckAt;
use Rodrel\Core\Vocabulary\GroupAt;
use Rodrel\Core\Vocabulary\Place;
use Rodrel\Core\Vocabulary\StepAt;
use Rodrel\Core\Vocabulary\SuspectAt;
use Symfony\Contracts\Translation\TranslatorInterface;

/** Turns ids and keys into the words on the screen. */
final readonly class Say
{
    public function __construct(
        private TranslatorInterface $translator,
        private Catalogue $catalogue,
    ) {
    }

    /** @param array<string, string> $parameters */
    public function ui(string $key, array $parameters = []): string
    {
        return $this->translator->trans($key, $this->numbers($parameters));
    }

    /** @param array<string, string> $parameters */
    public function text(string $key, array $parameters = []): string
    {
        return $this->translator->trans($key, $this->numbers($parameters), 'catalogue');
    }

    /** @return array<string, string> kinds of vehicle that ship, by id */
    public function presets(): array
    {
        $presets = [];
        foreach (array_keys($this->catalogue->presets) as $id) {
            $presets[$id] = $this->text('preset.'.$id);
        }

        return $presets;
    }

    public function place(string $place): string
    {
        return $this->text('place.'.$place);
    }

    /** What is taken apart: "drum, left rear". */
    public function apart(ApartAt $apart): string
    {
        return $this->ui('apart.'.$apart->id, ['place' => $this->place($apart->place->id)]);
    }

    /** "Loosen the hose at its top joint, left front" */
    public function check(CheckAt|string $check): string
    {
        $at = \is_string($check) ? CheckAt::parse($check) : $check;

        return $this->at($this->text('check.'.$at->id.'.name'), $at->place);
    }

    /** "Hose one-way, left front" */
    public function suspect(SuspectAt|string $suspect): string
    {
        $at = \is_string($suspect) ? SuspectAt::parse($suspect) : $suspect;

        return $this->at($this->text('fault.'.$at->id), $at->place);
    }

    /** "Hose, left front"; what stands for a second fault has no place. */
    public function group(GroupAt|string $group): string
    {
        $at = \is_string($group) ? GroupAt::parse($group) : $group;

        return $this->at($this->text('repair.'.$at->id.'.part'), $at->place);
    }

    /** "Renew the hose, left front" */
    public function work(GroupAt $group): string
    {
        return $this->at($this->text('repair.'.$group->id.'.do'), $group->place);
    }

    /** An open item, or work that was refused: by whom, why. */
    public function item(ItemPayload $item): string
    {
        $said = ['text' => $item->text, 'reason' => $item->reason, 'told' => $item->told];

        return $item->refused ? $this->ui('refuse.line', $said) : $item->text;
    }

    /** "The hose at the left front does not let go" */
    public function finding(GroupAt $group, ?SuspectAt $suspect = null): string
    {
        return $this->saidFinding($group, $suspect)->sentence;
    }

    /** The same with its key and parameters: the fault's own sentence where it has one. */
    public function saidFinding(GroupAt $group, ?SuspectAt $suspect = null): Said
    {
        // a part that is there once says where in it the fault sits
        $where = $group->place->isVehicle() && null !== $suspect ? $suspect->place->id : $group->place->id;
        $parameters = ['place' => $this->place($where)];
        foreach ([null === $suspect ? null : 'finding.'.$suspect->id, 'repair.'.$group->id.'.finding'] as $key) {
            if (null !== $key && ($said = $this->text($key, $parameters)) !== $key) {
                return new Said($said, $key, ['place' => $where]);
            }
        }

        return new Said($this->group($group));
    }

    /** A sentence that was frozen, in the reader's language where its key is known. */
    public function again(Said $said): string
    {
        $place = $said->parameters['place'] ?? null;
        $text = '' === $said->key || null === $place ? '' : $this->text($said->key, ['place' => $this->place($place)]);

        return '' === $text || $text === $said->key ? $said->sentence : $text;
    }

    /** The likeliest fault of a repair group: what its finding says. */
    public function leading(Judgement $judgement, GroupAt $group): ?SuspectAt
    {
        foreach (array_keys($judgement->suspects) as $suspect) {
            $at = SuspectAt::parse($suspect);
            if ($this->catalogue->faults->of($at)->cure->groupFor($at->place)->is($group)) {
                return $at;
            }
        }

        return null;
    }

    /** What a photo is of: a check, or a step of a repair. */
    public function about(string $about): string
    {
        [$kind, $what] = [...explode(':', $about, 2), ''];

        return 'check' === $kind ? $this->check($what) : $this->step($what);
    }

    /**
     * @param array<string, GroupAt> $groups
     *
     * @return array<string, string> names by group, in the order of the alphabet; "nothing wrong" is none
     */
    public function repairs(array $groups): array
    {
        $names = [];
        foreach ($groups as $key => $group) {
            if ('none' !== $group->id) {
                $names[$key] = $this->group($group);
            }
        }
        asort($names);

        return $names;
    }

    /** "Banjo with new washers, both sides, to torque, left front" of a step's name with its wheel. */
    public function step(string $name): string
    {
        $wheel = StepAt::tryParse($name)?->place->corner();
        $done = $this->text('step.'.StepAt::done($name));

        return null === $wheel ? $done : $done.', '.$this->place($wheel->value);
    }

    public function word(CheckAt $check, string $row, string $word): string
    {
        $byRow = '' !== $row && null === $this->catalogue->checks->of($check)->row($row)?->corner;
        $own = 'check.'.$check->id.'.word.';
        foreach ($byRow ? [$own.$row.'.'.$word, $own.$word] : [$own.$word] as $key) {
            $said = $this->text($key);
            if ($said !== $key) {
                return $said;
            }
        }

        return $this->text('word.'.$word);
    }

    public function row(CheckAt $check, string $row): string
    {
        $corner = $this->catalogue->checks->of($check)->row($row)?->corner;

        return null !== $corner ? $this->place($corner->value) : $this->text('check.'.$check->id.'.row.'.$row);
    }

    /**
     * All the answers of a reading in one line; of four wheels only those that are not at their best.
     *
     * @param array<string, string> $outcomes
     */
    public function outcome(CheckAt $check, array $outcomes): string
    {
        if (1 === \count($outcomes)) {
            return $this->word($check, (string) array_key_first($outcomes), (string) reset($outcomes));
        }
        $definition = $this->catalogue->checks->of($check);
        $order = array_flip(array_keys($definition->rows));
        uksort($outcomes, static fn (string $a, string $b): int => ($order[$a] ?? 9) <=> ($order[$b] ?? 9));
        $usual = $definition->isByWheel() ? $definition->firstRow()->observer->wording->best() : null;
        $said = [];
        foreach ($outcomes as $row => $word) {
            if ($word !== $usual) {
                $said[]
                    = $this->row($check, $row)
                    .(null === $usual ? ': ' : ' ')
                    .Letters::inner($this->word($check, $row, $word));
            }
        }

        return null !== $usual && [] === $said ? $this->allWheels($check, $usual) : Letters::up(implode(', ', $said));
    }

    /**
     * Which wheels would not be at their best, and what they would show.
     *
     * @param list<string> $rows
     * @param array<string, list<string>> $seen words by row
     */
    public function marked(CheckAt $check, array $rows, array $seen = []): string
    {
        $definition = $this->catalogue->checks->of($check);
        if ([] === $rows) {
            return $this->allWheels($check, $definition->firstRow()->observer->wording->best());
        }
        if ([] === $seen && \count($rows) === \count($definition->rows)) {
            return $this->text('marked-all');
        }

        $places = implode(', ', array_map($this->place(...), $rows));
        if ([] === $seen) {
            return $this->text('marked', ['rows' => $places]);
        }
        $words = [];
        foreach ($seen as $row => $of) {
            foreach ($of as $word) {
                $words[$word] = Letters::inner($this->word($check, $row, $word));
            }
        }

        return $this->text('marked-seen', ['rows' => $places, 'words' => implode(' / ', $words)]);
    }

    /** "Makeshift at the left rear, pipe: compression joint." */
    public function makeshift(FittedPart $mended): string
    {
        return $this->ui('check.makeshift', [
            'part' => $this->text('part.'.$mended->part->id),
            'place' => $this->place($mended->part->place->id),
            'how' => $mended->makeshift,
        ]);
    }

    /** The driver's sentence, "drags left front, always". */
    public function complaint(?IntakePayload $intake): string
    {
        if (null === $intake) {
            return '';
        }
        $parts = [];
        foreach ($intake->complaints as $n => $id) {
            $when = 0 === $n ? $intake->pattern : $intake->patternsElse[$n - 1] ?? '';
            $parts[] = $this->text('complaint.'.$id);
            $parts = '' === $when ? $parts : [...$parts, $this->text('pattern.'.$when)];
        }
        foreach ($intake->parts as $fitted) {
            if ('' !== $fitted->makeshift) {
                $parts[] = $this->makeshift($fitted);
                continue;
            }
            $parts[] = $this->text('recent', [
                'part' => $this->text('part.'.$fitted->part->id),
                'place' => $this->place($fitted->part->place->id),
                'weeks' => (string) $fitted->weeks,
            ]);
        }
        $said = implode(', ', $parts);

        return $said.('' === $intake->note ? '' : ('' === $said ? '' : '; ').$intake->note);
    }

    private function allWheels(CheckAt $check, string $word): string
    {
        $row = $this->catalogue->checks->of($check)->firstRow()->id;

        return $this->text('all-wheels', ['word' => Letters::inner($this->word($check, $row, $word))]);
    }

    private function at(string $what, Place $place): string
    {
        return $place->isVehicle() ? $what : $this->text('at', ['what' => $what, 'place' => $this->place($place->id)]);
    }

    /**
     * What was written down beside a reading.
     *
     * @param array<string, string> $measured of its payload
     *
     * @return list<string>
     */
    public function noted(CheckAt $check, array $measured): array
    {
        $said = [];
        foreach ($this->catalogue->checks->of($check)->role->noted as $key) {
            if (isset($measured[$key])) {
                $said[] = $this->ui('check.noted-'.$key).' '.$measured[$key];
            }
        }

        return $said;
    }

    /**
     * Plural rules want numbers as numbers.
     *
     * @param array<string, string> $parameters
     *
     * @return array<string, string|int>
     */
    private function numbers(array $parameters): array
    {
        return array_map(
            static fn (string $value): string|int => 1 === preg_match('/^\d{1,9}$/', $value) ? (int) $value : $value,
            $parameters,
        );
    }
}
