<?php

declare(strict_types=1);

namespace App\Text;

use Rodrel\Core\Catalogue;
use Rodrel\Core\Job\Entry;
use Symfony\Contracts\Translation\TranslatorInterface;

/** Turns ids and keys into the words on the screen. */
final readonly class Say
{
    public function __construct(private TranslatorInterface $translator, private Catalogue $catalogue)
    {
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

    public function place(string $place): string
    {
        return $this->text('place.'.$place);
    }

    /** "Loosen the hose at its top joint, left front" */
    public function check(string $idAtPlace): string
    {
        [$id, $place] = explode('@', $idAtPlace.'@vehicle');

        return $this->at($this->text('check.'.$id.'.name'), $place);
    }

    /** "Hose one-way, left front" */
    public function suspect(string $suspect): string
    {
        [$id, $place] = explode('@', $suspect);

        return $this->at($this->text('fault.'.$id), $place);
    }

    /** "Hose, left front" */
    public function group(string $group): string
    {
        [$id, $place] = explode('@', $group);

        return $this->at($this->text('repair.'.$id.'.part'), $place);
    }

    /** An open item, or work that was refused: by whom, why. */
    public function item(Entry $entry): string
    {
        $shape = $entry->shape();

        return $shape->flag('refused') ? $this->ui('refuse.line', ['text' => $shape->text('text'), 'reason' => $shape->text('reason'), 'told' => $shape->text('told')]) : $shape->text('text');
    }

    /** "The hose at the left front does not let go" */
    public function finding(string $group, ?string $suspect = null): string
    {
        [$id, $place] = explode('@', $group);
        $own = null === $suspect ? '' : 'finding.'.explode('@', $suspect)[0];
        $said = '' === $own ? $own : $this->text($own, ['place' => $this->place($place)]);

        return $said !== $own ? $said : $this->text('repair.'.$id.'.finding', ['place' => $this->place($place)]);
    }

    public function word(string $idAtPlace, string $row, string $word): string
    {
        $id = explode('@', $idAtPlace)[0];
        $own = 'check.'.$id.'.word.'.('' === $row || isset($this->catalogue->checks[$id]->rows['lf']) ? '' : $row.'.').$word;
        $said = $this->text($own);

        return $said === $own ? $this->text('word.'.$word) : $said;
    }

    public function row(string $idAtPlace, string $row): string
    {
        $id = explode('@', $idAtPlace)[0];
        if (\in_array($row, ['lf', 'rf', 'lr', 'rr'], true)) {
            return $this->place($row);
        }

        return $this->text('check.'.$id.'.row.'.$row);
    }

    /**
     * All the answers of a reading in one line; of four wheels only those that are not at their best.
     *
     * @param array<string, string> $outcomes
     */
    public function outcome(string $idAtPlace, array $outcomes): string
    {
        if (1 === \count($outcomes)) {
            return $this->word($idAtPlace, (string) array_key_first($outcomes), (string) reset($outcomes));
        }
        $order = array_flip(array_map(strval(...), array_keys($this->catalogue->check($idAtPlace)->rows)));
        uksort($outcomes, static fn (string $a, string $b): int => ($order[$a] ?? 9) <=> ($order[$b] ?? 9));
        $usual = isset($outcomes['lf']) ? $this->catalogue->check($idAtPlace)->rows['lf']->words[0] : null;
        $said = [];
        foreach ($outcomes as $row => $word) {
            if ($word !== $usual) {
                $said[] = $this->row($idAtPlace, (string) $row).(null === $usual ? ': ' : ' ').mb_strtolower($this->word($idAtPlace, (string) $row, $word));
            }
        }
        if (null !== $usual && [] === $said) {
            return $this->text('all-wheels', ['word' => mb_strtolower($this->word($idAtPlace, 'lf', $usual))]);
        }

        return ucfirst(implode(', ', $said));
    }

    /**
     * Which wheels would not be at their best.
     *
     * @param list<string> $rows
     */
    public function marked(string $idAtPlace, array $rows): string
    {
        if ([] === $rows) {
            return $this->text('all-wheels', ['word' => mb_strtolower($this->word($idAtPlace, 'lf', $this->catalogue->check($idAtPlace)->rows['lf']->words[0]))]);
        }
        if (4 === \count($rows)) {
            return $this->text('marked-all');
        }

        return $this->text('marked', ['rows' => implode(', ', array_map($this->place(...), $rows))]);
    }

    /** The driver's sentence, "drags left front, always". */
    public function complaint(?Entry $intake): string
    {
        if (null === $intake) {
            return '';
        }
        $shape = $intake->shape();
        $parts = [$this->text('complaint.'.$shape->text('complaint', 'none'))];
        $pattern = $shape->text('pattern', '');
        if ('' !== $pattern) {
            $parts[] = $this->text('pattern.'.$pattern);
        }
        foreach ($shape->each('parts') as $part) {
            $parts[] = $this->text('recent', ['part' => $this->text('part.'.$part->text('part')), 'place' => $this->place($part->text('place')), 'weeks' => (string) (int) $part->number('weeks')]);
        }
        $note = $shape->text('note', '');

        return implode(', ', $parts).('' === $note ? '' : '; '.$note);
    }

    private function at(string $what, string $place): string
    {
        return 'vehicle' === $place ? $what : $this->text('at', ['what' => $what, 'place' => $this->place($place)]);
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
        return array_map(static fn (string $value): string|int => 1 === preg_match('/^\d{1,9}$/', $value) ? (int) $value : $value, $parameters);
    }
}
