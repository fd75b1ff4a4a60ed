<?php

declare(strict_types=1);

namespace RodrelMigrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/** Codes that open the wall view of one job, for a day's work. */
final class Version20261127180000 extends AbstractMigration
{
    public function up(Schema $schema): void
    {
        $this->addSql('CREATE TABLE wall_code (code CHAR(64) PRIMARY KEY,
            job_id UUID NOT NULL REFERENCES job (id), until TIMESTAMP(0) WITH TIME ZONE NOT NULL)');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('DROP TABLE wall_code');
    }
}
