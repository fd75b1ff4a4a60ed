<?php

declare(strict_types=1);

namespace App\Job;

use App\Input\InvalidInput;
use Rodrel\Core\Catalogue\Catalogue;
use Rodrel\Core\Check\Complaint\Complaint;
use Rodrel\Core\Log\Payload\Arrival;
use Rodrel\Core\Log\Payload\FittedPart;
use Rodrel\Core\Log\Payload\IntakePayload;
use Rodrel\Core\Vocabulary\Corner;
use Rodrel\Core\Vocabulary\Part;
use Rodrel\Core\Vocabulary\Place;
use Symfony\Component\HttpFoundation\InputBag;

/** What the driver said, from the tiles of the intake: what, where and when make a complaint of the catalogue. */
final readonly class IntakeForm
{
    private const PLACES = ['lf', 'rf', 'lr', 'rr', Place::VEHICLE];
    private const MOST_MAKESHIFT = 120;
    private const MOST_WEEKS = 520;
    private const MOST_LINING_MM = 40.0;
    /** Behind the names of the fields of a second and a third complaint. */
    public const MORE = ['_else', '_third'];

    public function __construct(private Catalogue $catalogue, private Fields $fields)
    {
    }

    /** @param InputBag<bool|float|int|string> $form */
    public function read(InputBag $form): IntakePayload
    {
        $patterns = [$this->complaint($form, 'what', 'where', 'timing') => $this->pattern($form, 'pattern')];
        foreach (self::MORE as $more) {
            if ('' !== $this->fields->optional($form, 'what'.$more)) {
                $said = $this->complaint($form, 'what'.$more, 'where'.$more, 'timing'.$more);
                $patterns += [$said => $this->pattern($form, 'pattern'.$more)];
            }
        }
        $else = array_values(\array_slice($patterns, 1));

        return new IntakePayload(
            array_map(strval(...), array_keys($patterns)),
            array_values($patterns)[0],
            new Arrival(
                $form->getBoolean('hot'),
                $form->getBoolean('driven_in'),
                $form->getBoolean('stood'),
                $this->linings($form),
            ),
            $this->parts($form),
            $this->fields->optional($form, 'note'),
            $this->fields->cents($form, 'spent'),
            '' === implode('', $else) ? [] : $else,
        );
    }

    /**
     * What was measured on earlier visits, as the shop put it into the form.
     *
     * @param InputBag<bool|float|int|string> $form
     *
     * @return array<string, float>
     */
    private function linings(InputBag $form): array
    {
        $linings = [];
        foreach (Corner::cases() as $corner) {
            $mm = $form->all('linings')[$corner->value] ?? null;
            if (is_numeric($mm) && (float) $mm >= 0.0 && (float) $mm <= self::MOST_LINING_MM) {
                $linings[$corner->value] = (float) $mm;
            }
        }

        return $linings;
    }

    /**
     * What the tiles offer.
     *
     * @return array{whats: list<string>, wheres: array<string, list<string>>, timings: list<string>,
     *               patterns: list<string>, parts: list<string>, places: list<string>}
     */
    public function choices(): array
    {
        $whats = $timings = $wheres = [];
        foreach ($this->catalogue->complaints->all as $complaint) {
            $whats[$complaint->what] = $complaint->what;
            if (null !== $complaint->where) {
                $wheres[$complaint->what][$complaint->where] = $complaint->where;
            }
            if (null !== $complaint->timing) {
                $timings[$complaint->timing] = $complaint->timing;
            }
        }

        return [
            'whats' => array_values($whats),
            'wheres' => array_map(array_values(...), $wheres),
            'timings' => array_values($timings),
            'patterns' => $this->patterns(),
            'parts' => array_keys(array_filter($this->catalogue->parts)),
            'places' => self::PLACES,
        ];
    }

    /**
     * The tiles that make a complaint.
     *
     * @return array{what: string, where: string, timing: string}
     */
    public function tilesOf(string $id): array
    {
        $complaint = $this->catalogue->complaints->all[$id] ?? null;

        return [
            'what' => $complaint->what ?? '',
            'where' => $complaint->where ?? '',
            'timing' => $complaint->timing ?? $this->choices()['timings'][0] ?? '',
        ];
    }

    /** @param InputBag<bool|float|int|string> $form */
    private function complaint(InputBag $form, string $what, string $where, string $timing): string
    {
        $choices = $this->choices();
        $said = $this->fields->choice($form, $what, $choices['whats'], 'input.what');
        $here = $this->fields->optional($form, $where);
        if (isset($choices['wheres'][$said]) && !\in_array($here, $choices['wheres'][$said], true)) {
            throw InvalidInput::because('input.where');
        }
        $when = $this->fields->optional($form, $timing);
        $fitting = array_values(array_filter(
            $this->catalogue->complaints->all,
            static fn (Complaint $c): bool => $c->what === $said && (null === $c->where || $c->where === $here),
        ));
        foreach ($fitting as $complaint) {
            if ($complaint->timing === $when) {
                return $complaint->id;
            }
        }

        return $fitting[0]->id ?? throw InvalidInput::because('input.what');
    }

    /** @param InputBag<bool|float|int|string> $form */
    private function pattern(InputBag $form, string $field): string
    {
        $said = $this->fields->optional($form, $field);

        return \in_array($said, $this->patterns(), true) ? $said : '';
    }

    /** @return list<string> the words of when it happens */
    private function patterns(): array
    {
        foreach ($this->catalogue->checks as $check) {
            if ($check->role->asked && $check->firstRow()->observer->isSign()) {
                return $check->firstRow()->observer->words();
            }
        }

        return [];
    }

    /**
     * @param InputBag<bool|float|int|string> $form
     *
     * @return list<FittedPart>
     */
    private function parts(InputBag $form): array
    {
        $parts = [];
        foreach ($form->all('parts') as $row) {
            $part = \is_array($row) && \is_string($row['part'] ?? null) ? $row['part'] : '';
            $place = \is_array($row) && \is_string($row['place'] ?? null) ? $row['place'] : '';
            if ('' === $part || '' === $place) {
                continue;
            }
            if (true !== ($this->catalogue->parts[$part] ?? null) || !\in_array($place, self::PLACES, true)) {
                throw InvalidInput::because('input.choice', ['choices' => implode(', ', self::PLACES)]);
            }
            $makeshift = \is_string($row['makeshift'] ?? null) ? $row['makeshift'] : '';
            $range = ['options' => ['min_range' => 0, 'max_range' => self::MOST_WEEKS]];
            $weeks = filter_var($row['weeks'] ?? '', \FILTER_VALIDATE_INT, $range);
            $parts[] = new FittedPart(
                Part::of($part)->at(Place::of($place)),
                \is_int($weeks) ? $weeks : throw InvalidInput::because('input.weeks'),
                mb_substr(trim($makeshift), 0, self::MOST_MAKESHIFT),
            );
        }

        return $parts;
    }
}
