<?php

declare(strict_types=1);

namespace RodrelMigrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/** What a practice vehicle has stands in a table of its own, under a number that nothing else tells. */
final class Version20261202030000 extends AbstractMigration
{
    public function up(Schema $schema): void
    {
        $this->addSql(
            'CREATE TABLE practice (job_id UUID NOT NULL PRIMARY KEY, seed INT NOT NULL, own_head BOOLEAN NOT NULL, '
            .'debrief JSONB DEFAULT NULL)',
        );
        $this->addSql(
            "INSERT INTO practice (job_id, seed, own_head) SELECT id, substring(unit FROM '(\d{1,4})$')::int, false "
            ."FROM job WHERE unit ~ '^Practice vehicle \d{1,4}$'",
        );
    }

    public function down(Schema $schema): void
    {
        $this->addSql('DROP TABLE practice');
    }
}
