<?php

declare(strict_types=1);

namespace Rodrel\Core\Catalogue;

use Rodrel\Core\Bleeding\BleedOrder;
use Rodrel\Core\Check\Check;
use Rodrel\Core\Check\Observer\SignObserver;
use Rodrel\Core\Check\Turn;
use Rodrel\Core\Fault\Fault;
use Rodrel\Core\Fault\Particles;
use Rodrel\Core\InvalidData;
use Rodrel\Core\Mistakes;
use Rodrel\Core\Physics\Targets;
use Rodrel\Core\Shape;
use Rodrel\Core\Vehicle\Layout;
use Rodrel\Core\Vehicle\Places;

/**
 * What one file of the catalogue says of another: every name must be there, every fault reachable, every word owned.
 */
final readonly class References
{
    /** A word is a fault's own when the fault says it this much oftener than vehicles without it (estimate). */
    private const OWNS = 2.0;
    /** A part fitted lately makes its faults up to so many times likelier (factor; estimate). */
    private const MOST_AFTER_FITTING = 100.0;
    /** Checks of this family want a thermometer and a sheet of their own. */
    private const THERMOMETER = 'heat';

    /** @var array<string, string> JSON pointer by `faults/id` and `checks/id` */
    private array $at;
    /** @var list<Layout> */
    private array $layouts;

    /** @param array<string, array<mixed>> $documents */
    public function __construct(private Catalogue $catalogue, array $documents, private Mistakes $mistakes)
    {
        $at = [];
        foreach (['faults', 'checks'] as $file) {
            foreach ((new Shape($documents[$file]))->raw($file) as $n => $row) {
                if (\is_array($row) && \is_string($row['id'] ?? null)) {
                    $at[$file.'/'.$row['id']] = "/$file/$file/$n";
                }
            }
        }
        $this->at = $at;
        $this->layouts = $this->layoutsFrom($documents['presets']);
        foreach ($catalogue->checks as $check) {
            $this->check($check);
        }
        foreach ($catalogue->faults as $fault) {
            $this->fault($fault);
        }
        foreach (['book', 'condition'] as $list) {
            foreach ($catalogue->$list as $n => $id) {
                if (!$catalogue->checks->has($id)) {
                    $this->miss("/stations/$list/$n", 'there is no check "%s"', $id);
                }
            }
        }
        $this->rounds();
        foreach ($catalogue->routes->complaints() as $complaint) {
            if (!isset($catalogue->complaints->all[$complaint])) {
                $this->miss('/routes/routes', 'there is no complaint "%s"', $complaint);
            }
            $route = $catalogue->routes->route([$complaint]);
            foreach ([...$route->own, ...$route->tried, ...$route->more] as $id) {
                if (!$catalogue->checks->has($id)) {
                    $this->miss('/routes/routes', 'there is no check "%s"', $id);
                }
            }
        }
        foreach ($catalogue->pairs->rules as $n => $rule) {
            foreach (['one', 'other'] as $end) {
                if (!isset($catalogue->faults->all[$rule[$end]])) {
                    $this->miss("/pairs/pairs/$n/$end", 'there is no fault "%s"', $rule[$end]);
                }
            }
        }
        $this->gates();
        $this->proof();
        $this->repairs();
        (new ProcedureRules($catalogue, $mistakes))->check();
        $this->schools();
        $this->complained();
    }

    /**
     * @param array<mixed> $document
     *
     * @return list<Layout>
     */
    private function layoutsFrom(array $document): array
    {
        $shape = new Shape($document, '/presets', $this->mistakes);
        $layouts = [];
        foreach ($shape->each('presets') as $id => $preset) {
            if ($id !== $preset->text('id')) {
                $preset->miss('id', 'a preset is called by its own key');
            }
            if ($preset->has('parts')) {
                $preset->raw('parts');
                $preset->raw('also');
                $preset->in('figures')->numberMapSelf();
                $layouts[] = Layout::fromArray($this->catalogue->presets[$id]);
                continue;
            }
            $preset->in('questions')->flag('anti_lock');
            foreach (['split', 'rear', 'assist'] as $question) {
                $preset->in('questions')->text($question);
            }
            $layouts[] = Layout::fromShape($preset);
        }
        foreach (['format', 'source', 'note'] as $head) {
            $shape->has($head);
        }
        $shape->refuseUnknown();

        return $layouts;
    }

    private function check(Check $check): void
    {
        $at = $this->at['checks/'.$check->id];
        $this->id($at, $check->id);
        if (!isset($this->catalogue->stations[$check->station])) {
            $this->miss($at.'/station', 'there is no station "%s"', $check->station);
        }
        foreach ($check->demand->gates as $gate) {
            if (!isset($this->catalogue->gates->rules[$gate])) {
                $this->miss($at.'/gates', 'there is no gate "%s"', $gate);
            }
        }
        if (null !== $check->demand->turn->after && !$this->catalogue->checks->has($check->demand->turn->after)) {
            $this->miss($at.'/after', 'there is no check "%s"', $check->demand->turn->after);
        }
        $instead = $check->demand->turn->instead;
        if (null !== $instead && !$this->catalogue->checks->has($instead)) {
            $this->miss($at.'/instead', 'there is no check "%s"', $instead);
        }
        if (
            [] !== $check->role->proves
            && [] !== array_diff($check->role->proves, $check->firstRow()->observer->words())
        ) {
            $this->miss($at.'/proves', 'words of the check\'s own are expected');
        }
        foreach ($check->rows as $row) {
            if ($row->observer instanceof SignObserver) {
                $this->owned($check, $row->id, $row->observer, $at);
            }
        }
    }

    private function id(string $at, string $id): void
    {
        if (1 !== preg_match('/^[a-z]+(-[a-z]+)*(\.[a-z]+(-[a-z]+)*)?$/', $id)) {
            $this->miss(
                $at.'/id',
                'an id is lower-case words joined by hyphens, a fault\'s with one dot, not "%s"',
                $id,
            );
        }
    }

    /** Behind every word but the first stands a fault that says it, or something ordinary. */
    private function owned(Check $check, string $row, SignObserver $observer, string $at): void
    {
        foreach ($observer->words() as $n => $word) {
            if (0 === $n || \in_array($word, $observer->ordinary, true)) {
                continue;
            }
            $owned = false;
            foreach ($this->catalogue->faults as $fault) {
                $chance = $fault->signs->of($check->id, $row)[$n] ?? 0.0;
                $owned = $owned || $chance >= self::OWNS * $observer->base[$n];
            }
            if (!$owned) {
                $this->miss($at, 'no fault and nothing ordinary stands behind the word "%s"', $word);
            }
        }
    }

    private function fault(Fault $fault): void
    {
        $at = $this->at['faults/'.$fault->id];
        $this->id($at, $fault->id);
        if (!isset($this->catalogue->repairs->all[$fault->cure->repair])) {
            $this->miss($at.'/repair', 'there is no repair "%s"', $fault->cure->repair);
        }
        $parts = [...$fault->cure->spoils, ...array_filter([$fault->odds->agesWith])];
        foreach ([...array_map(strval(...), $parts), ...array_keys($fault->odds->afterFitting)] as $part) {
            if (!isset($this->catalogue->parts[$part])) {
                $this->miss($at, 'there is no part "%s"', $part);
            }
        }
        foreach ($fault->signs->all() as $key => $chances) {
            [$id, $row] = [...explode('/', $key), ''];
            $check = $this->catalogue->checks->all[$id] ?? null;
            $observer = ($check?->row($row) ?? $check?->firstRow())?->observer;
            if (null === $observer || !$observer->takesSigns() || $observer->signWidth() !== \count($chances)) {
                $this->miss($at.'/signs/'.str_replace('/', '~1', $key), 'a sign with as many words is expected');
            }
        }
        foreach ($fault->signs->everywhere() as $key => $places) {
            [$id, $row] = [...explode('/', $key), ''];
            $check = $this->catalogue->checks->all[$id] ?? null;
            $words = ($check?->row($row) ?? $check?->firstRow())?->observer->words() ?? [];
            if ([] === $places || [] !== array_diff($places, \array_slice($words, 2))) {
                $this->miss($at.'/shows_at/'.str_replace('/', '~1', $key), 'places of that row are expected');
            }
        }
        foreach (array_keys($fault->signs->told) as $complaint) {
            if (!isset($this->catalogue->complaints->all[$complaint])) {
                $this->miss($at.'/told', 'there is no complaint "%s"', $complaint);
            }
        }
        $this->confirmations($fault, $at);
        foreach ($this->layouts as $layout) {
            $targets = Targets::in($layout);
            foreach (Particles::ofFault($fault, $layout) as $particle) {
                try {
                    $targets->check($particle->effects, $at.'/effects');
                } catch (InvalidData $wrong) {
                    $this->mistakes->add(
                        $wrong->path,
                        $layout->id.': '.substr($wrong->getMessage(), \strlen($wrong->path) + 2),
                    );
                    continue 2;
                }
            }
        }
    }

    /** Where a fault can sit, one of its confirming checks can be made, on every vehicle. */
    private function confirmations(Fault $fault, string $at): void
    {
        $checks = [];
        if ([] === $fault->confirm && Places::Vehicle !== $fault->places->kind) {
            $this->miss($at.'/confirm', 'a check that confirms it is expected');
        }
        foreach ($fault->confirm as $id) {
            if (!$this->catalogue->checks->has($id)) {
                $this->miss($at.'/confirm', 'there is no check "%s"', $id);
            } elseif ($this->catalogue->checks->of($id)->role->proof) {
                $this->miss($at.'/confirm', '"%s" belongs to the proof and confirms nothing', $id);
            } else {
                $checks[] = $this->catalogue->checks->of($id);
            }
        }
        foreach ([] === $checks ? [] : $this->layouts as $layout) {
            foreach ($fault->places->in($layout) as $place) {
                foreach ($checks as $check) {
                    foreach ($check->places->in($layout) as $here) {
                        if ($layout->reaches($here, $place)) {
                            continue 3;
                        }
                    }
                }
                $this->miss($at.'/confirm', 'on "'.$layout->id.'" nothing confirms it at "%s"', $place->id);
            }
        }
    }

    /** A round takes nothing apart, opens and eases nothing, and wants no tool; no check is on two. */
    private function rounds(): void
    {
        $on = [];
        foreach ($this->catalogue->rounds->proof as $id => $round) {
            foreach (array_diff($round->checks, array_keys($this->catalogue->checks->all)) as $check) {
                $this->miss('/rounds/proof/'.$id, 'there is no check "%s"', $check);
            }
        }
        foreach ($this->catalogue->rounds->all as $id => $round) {
            foreach ($round->checks as $n => $name) {
                $at = "/rounds/rounds/$id/checks/$n";
                $check = $this->catalogue->checks->all[$name] ?? null;
                $wake = $check?->demand->wake;
                if (null === $check || null === $wake) {
                    $this->miss($at, 'there is no check "%s"', $name);
                } elseif (isset($on[$name])) {
                    $this->miss($at, '"%s" is on another round too', $name);
                } elseif (null !== $wake->opens || null !== $wake->apart || $wake->eases) {
                    $this->miss($at, '"%s" opens, eases or takes something apart', $name);
                } elseif ([] !== $check->demand->tools || self::THERMOMETER === $check->family) {
                    $this->miss($at, '"%s" wants a tool', $name);
                }
                $on[$name] = true;
            }
        }
        foreach ($this->catalogue->rounds->asked as $n => $name) {
            [$check, $row] = [...explode('/', $name), null];
            $known = $this->catalogue->checks->all[$check] ?? null;
            if (null === $known || (null !== $row && null === $known->row($row))) {
                $this->miss('/rounds/asked/'.$n, 'there is no check with that row: "%s"', $name);
            }
        }
        if (!isset($this->catalogue->rounds->all[$this->catalogue->rounds->first])) {
            $this->miss('/rounds/first_look', 'there is no round "%s"', $this->catalogue->rounds->first);
        }
    }

    private function gates(): void
    {
        foreach ($this->catalogue->gates->rules as $id => $rule) {
            foreach ($rule->conditions as $n => $condition) {
                foreach ($condition->reads() as $k => $read) {
                    $at = "/gates/gates/$id/conditions/$n/reads/$k";
                    $this->words($at, $read->check, $condition->isByWheel() ? null : $read->row, $read->words);
                }
            }
        }
        if (!$this->catalogue->checks->has($this->catalogue->gates->closedBy()->id)) {
            $this->miss('/gates/closed_by', 'there is no check "%s"', $this->catalogue->gates->closedBy()->id);
        }
    }

    private function proof(): void
    {
        foreach ($this->catalogue->proof->criteria as $n => $criterion) {
            foreach (null === $criterion->check ? [] : $criterion->rows as $row => $words) {
                $this->words("/proof/criteria/$n", (string) $criterion->check, $row, $words);
            }
        }
    }

    private function repairs(): void
    {
        foreach ($this->catalogue->repairs as $id => $repair) {
            $at = '/repairs/repairs/'.$id;
            if (!isset($this->catalogue->repairs->procedures[$repair->procedure])) {
                $this->miss($at.'/procedure', 'there is no procedure "%s"', $repair->procedure);
            }
            foreach ($repair->scope as $n => $extra) {
                if (!isset($this->catalogue->parts[$extra->part])) {
                    $this->miss("$at/scope/$n/part", 'there is no part "%s"', $extra->part);
                }
                if (null !== $extra->seen) {
                    $this->words("$at/scope/$n/seen", $extra->seen['check'], $extra->seen['row'], [
                        $extra->seen['word'],
                    ]);
                }
            }
        }
    }

    /** A kind of complaint that nobody can make, or a fitted part that would drown all else. */
    private function complained(): void
    {
        $known = array_map(
            static fn (string $id): string => $id.Turn::WHOLE,
            array_keys($this->catalogue->complaints->all),
        );
        foreach ($this->catalogue->checks as $check) {
            foreach ($check->demand->turn->notFor as $kind) {
                if ([] === array_filter($known, static fn (string $id): bool => str_starts_with($id, $kind))) {
                    $this->miss($this->at['checks/'.$check->id].'/not_for', 'no complaint begins with "%s"', $kind);
                }
            }
        }
        foreach ($this->catalogue->faults as $fault) {
            foreach ($fault->odds->afterFitting as $part => $factor) {
                if ($factor <= 0.0 || $factor > self::MOST_AFTER_FITTING) {
                    $this->miss(
                        $this->at['faults/'.$fault->id].'/after_fitting',
                        'a part fitted lately makes a fault up to a hundred times likelier: "%s"',
                        $part,
                    );
                }
            }
        }
    }

    private function schools(): void
    {
        $ways = [];
        foreach ($this->catalogue->schools->questions as $question => $choices) {
            foreach ($choices as $id => $choice) {
                $at = "/schools/schools/$question/choices/$id";
                if (null !== $choice->bleedOrder && null === BleedOrder::tryFrom($choice->bleedOrder)) {
                    $this->miss($at.'/bleed_order', 'there is no order "%s"', $choice->bleedOrder);
                }
                array_push($ways, ...array_values($choice->ways));
                foreach ($choice->with as $repair => $parts) {
                    $known = array_column($this->catalogue->repairs->all[$repair]->scope ?? [], 'part');
                    foreach (array_diff($parts, $known) as $part) {
                        $this->miss("$at/with/$repair", 'the scope of that repair has no "%s"', $part);
                    }
                }
            }
        }
        foreach ($this->catalogue->repairs->procedures as $id => $procedure) {
            foreach (array_diff($procedure->ways(), $ways) as $way) {
                $this->miss("/procedures/procedures/$id", 'no school leaves the way "%s" to the shop', $way);
            }
        }
    }

    /**
     * @param string|null $row null: every wheel's
     * @param list<string> $words
     */
    private function words(string $at, string $check, ?string $row, array $words): void
    {
        $known = $this->catalogue->checks->all[$check] ?? null;
        $found = null === $row ? $known?->firstRow() : $known?->row($row);
        if (null === $found) {
            $this->miss($at, 'there is no check with that row: "%s"', $check.'/'.$row);
        }
        foreach (null === $found ? [] : array_diff($words, $found->observer->words()) as $word) {
            $this->miss($at, 'the check has no word "%s"', $word);
        }
    }

    private function miss(string $path, string $what, string $name = ''): void
    {
        $this->mistakes->add($path, \sprintf($what, $name));
    }
}
