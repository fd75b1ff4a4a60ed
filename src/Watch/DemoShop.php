<?php

declare(strict_types=1);

namespace App\Watch;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;

/** Whether this shop is the demo, and what of it is somebody's own work. */
final readonly class DemoShop
{
    private const MARK = 'demo';

    public function __construct(private Connection $database)
    {
    }

    /** A shop in which nobody has done anything yet. */
    public function isEmpty(): bool
    {
        return 0 === $this->count('person') + $this->count('job') + $this->count('shop_setting');
    }

    public function isDemo(): bool
    {
        return null !== $this->jobs();
    }

    /**
     * What would be lost if the demo were loaded anew: jobs, people and settings that did not come with it.
     *
     * @param list<string> $logins of the demo's people
     *
     * @return list<string> in words; none where only the demo is there
     */
    public function real(array $logins): array
    {
        $jobs = $this->database->fetchFirstColumn('SELECT unit FROM job WHERE id::text NOT IN (:own) ORDER BY id', [
            'own' => [...$this->jobs() ?? [], '-'],
        ], ['own' => ArrayParameterType::STRING]);
        $known = $this->isDemo() ? $logins : [];
        $people = $this->database->fetchFirstColumn(
            'SELECT name FROM person WHERE login NOT IN (:own) ORDER BY name',
            ['own' => [...$known, '-']],
            ['own' => ArrayParameterType::STRING],
        );
        $lost = [];
        foreach (['jobs' => $jobs, 'people' => $people] as $what => $names) {
            if ([] !== $names) {
                $more = \count($names) > 5 ? ' …' : '';
                $first = implode(', ', \array_slice($names, 0, 5));
                $lost[] = \sprintf('%d %s: %s%s', \count($names), $what, $first, $more);
            }
        }

        return 0 === $this->count('shop_setting') ? $lost : [...$lost, "the shop's own settings"];
    }

    /** Everything that is in it now came with the demo. */
    public function mark(): void
    {
        $jobs = $this->database->fetchFirstColumn('SELECT id FROM job');
        $this->database->executeStatement(
            'INSERT INTO shop_mark (name, data) VALUES (?, ?) ON CONFLICT (name) DO UPDATE SET data = EXCLUDED.data',
            [self::MARK, json_encode($jobs, \JSON_THROW_ON_ERROR)],
        );
    }

    /** @return list<string>|null ids of the jobs that came with the demo; null where this is none */
    private function jobs(): ?array
    {
        $data = $this->database->fetchOne('SELECT data FROM shop_mark WHERE name = ?', [self::MARK]);
        $jobs = \is_string($data) ? json_decode($data, true) : null;

        return \is_array($jobs) ? array_values(array_filter($jobs, \is_string(...))) : null;
    }

    private function count(string $table): int
    {
        $count = $this->database->fetchOne('SELECT count(*) FROM '.$table);

        return is_numeric($count) ? (int) $count : 0;
    }
}
