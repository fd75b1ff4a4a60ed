<?php

declare(strict_types=1);

namespace RodrelMigrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/** The first day by which something of a job is due stands in its line: counted and filtered without reading logs. */
final class Version20261202020000 extends AbstractMigration
{
    public function up(Schema $schema): void
    {
        $this->addSql('ALTER TABLE job_line ADD due DATE DEFAULT NULL');
        $this->addSql('CREATE INDEX job_line_due ON job_line (due)');
        $this->addSql("UPDATE job_line SET made_by = ''");
    }

    public function down(Schema $schema): void
    {
        $this->addSql('ALTER TABLE job_line DROP due');
    }
}
