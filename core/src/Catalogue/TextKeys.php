<?php

declare(strict_types=1);

namespace Rodrel\Core\Catalogue;

use Rodrel\Core\Check\Check;

/** The texts that a catalogue needs to be spoken, `domain:key`, by the place in it that asks for them. */
final readonly class TextKeys
{
    /** @return iterable<string, list<string>> keys by JSON pointer */
    public static function of(Catalogue $catalogue): iterable
    {
        $n = 0;
        foreach ($catalogue->faults as $fault) {
            yield '/faults/faults/'.$n++ => ['catalogue:fault.'.$fault->id];
        }
        $n = 0;
        foreach ($catalogue->checks as $check) {
            yield '/checks/checks/'.$n++ => self::ofCheck($check);
        }
        $n = 0;
        foreach ($catalogue->complaints->all as $complaint) {
            yield '/complaints/complaints/'.$n++ => [
                'catalogue:complaint.'.$complaint->id,
                'messages:intake.what-'.$complaint->what,
            ];
        }
        foreach (array_keys($catalogue->stations) as $n => $station) {
            yield '/stations/stations/'.$n => ['catalogue:station.'.$station];
        }
        yield '/routes/routes' => array_merge(...array_map(
            static fn (string $card): array => ['catalogue:card.'.$card.'.try', 'catalogue:card.'.$card.'.note'],
            $catalogue->routes->cards(),
        ));
        foreach (array_keys($catalogue->rounds->all + $catalogue->rounds->proof) as $round) {
            yield '/rounds/rounds/'.$round => ['catalogue:round.'.$round];
        }
        foreach ($catalogue->gates->rules as $id => $rule) {
            foreach ($rule->conditions as $n => $condition) {
                yield "/gates/gates/$id/conditions/$n" => array_map(
                    static fn (string $key): string => 'messages:gate.'.$key,
                    $condition->keys($catalogue->checks),
                );
            }
        }
        foreach ($catalogue->repairs as $id => $repair) {
            yield '/repairs/repairs/'.$id => [
                'catalogue:repair.'.$id.'.part',
                'catalogue:repair.'.$id.'.finding',
                'catalogue:repair.'.$id.'.do',
            ];
        }
        foreach ($catalogue->repairs->procedures as $id => $procedure) {
            $keys = array_map(static fn (string $one): string => 'catalogue:inspect.'.$one, $procedure->inspect);
            foreach ($procedure->prepare as $item) {
                $keys[] = 'catalogue:prepare.'.$item['id'];
            }
            foreach ($procedure->steps as $step) {
                $keys[] = 'catalogue:step.'.$step->id;
                foreach ($step->cautions as $caution) {
                    $keys[] = 'catalogue:caution.'.$caution;
                }
            }
            yield '/procedures/procedures/'.$id => $keys;
        }
        foreach (array_keys($catalogue->repairs->surprises) as $id) {
            yield '/procedures/surprises/'.$id => [
                'catalogue:surprise.'.$id.'.what',
                'catalogue:surprise.'.$id.'.do',
            ];
        }
        foreach (array_keys($catalogue->parts) as $part) {
            yield '/parts/parts/'.$part => ['catalogue:part.'.$part];
        }
        foreach ($catalogue->schools->questions as $question => $choices) {
            $key = 'messages:shop.school-'.str_replace('_', '-', $question);
            $said = array_map(static fn (string $choice): string => 'messages:shop.'.$choice, array_keys($choices));
            yield '/schools/schools/'.$question => [$key, ...$said];
        }
        foreach ($catalogue->proof->criteria as $n => $criterion) {
            yield '/proof/criteria/'.$n => [
                'messages:proof.'.$criterion->id.'.name',
                'messages:proof.'.$criterion->id.'.do',
            ];
        }
        foreach (array_keys($catalogue->presets) as $preset) {
            yield '/presets/presets/'.$preset => ['catalogue:preset.'.$preset];
        }
    }

    /**
     * Every word that can be tapped, as its check says it, or as everybody does.
     *
     * @return iterable<string, non-empty-list<non-empty-list<string>>> alternatives by JSON pointer: one of each is
     *     wanted
     */
    public static function words(Catalogue $catalogue): iterable
    {
        $n = 0;
        foreach ($catalogue->checks as $check) {
            $wanted = [];
            $own = 'catalogue:check.'.$check->id.'.word.';
            foreach ($check->rows as $row) {
                foreach ($row->observer->words() as $word) {
                    $wanted[] = [$own.$word, $own.$row->id.'.'.$word, 'catalogue:word.'.$word];
                }
            }
            yield '/checks/checks/'.$n++ => $wanted;
        }
    }

    /** @return list<string> */
    private static function ofCheck(Check $check): array
    {
        $own = 'catalogue:check.'.$check->id;
        $keys = [$own.'.name'];
        if (!$check->role->asked || $check->firstRow()->observer->isSign()) {
            $keys[] = $own.'.how';
            if (!$check->role->proof) {
                $keys[] = $own.'.why';
            }
        }
        foreach ($check->manner->spoken as $word) {
            $keys[] = 'catalogue:say.'.$word;
        }
        if (null !== $check->manner->caution) {
            $keys[] = 'catalogue:caution.'.$check->manner->caution;
        }
        foreach ($check->rows as $row) {
            if ('' !== $row->id && null === $row->corner) {
                $keys[] = $own.'.row.'.$row->id;
            }
        }

        return $keys;
    }
}
