<?php

declare(strict_types=1);

namespace RodrelMigrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/**
 * A line of the list keeps keys and figures, no sentences, and which rules made it: the worker makes them all again. A
 * judgement says which pairs it lacks.
 */
final class Version20261202010000 extends AbstractMigration
{
    public function up(Schema $schema): void
    {
        $this->addSql('ALTER TABLE job_line DROP complaint, DROP next, DROP said');
        $this->addSql(
            "ALTER TABLE job_line ADD told JSONB DEFAULT '{}' NOT NULL, ADD next JSONB DEFAULT '{}' NOT NULL, "
            ."ADD made_by VARCHAR(64) DEFAULT '' NOT NULL",
        );
        $this->addSql("ALTER TABLE judgement ADD missing JSONB DEFAULT '[]' NOT NULL");
    }

    public function down(Schema $schema): void
    {
        $this->addSql('ALTER TABLE judgement DROP missing');
        $this->addSql('ALTER TABLE job_line DROP told, DROP next, DROP made_by');
        $this->addSql(
            "ALTER TABLE job_line ADD complaint TEXT DEFAULT '' NOT NULL, ADD next TEXT DEFAULT '' NOT NULL, "
            ."ADD said JSONB DEFAULT '{}' NOT NULL",
        );
    }
}
