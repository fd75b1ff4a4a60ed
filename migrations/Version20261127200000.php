<?php

declare(strict_types=1);

namespace RodrelMigrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/** A line of the list of jobs says itself in every language; older lines say it with their next entry. */
final class Version20261127200000 extends AbstractMigration
{
    public function up(Schema $schema): void
    {
        $this->addSql('ALTER TABLE job_line ADD said JSONB DEFAULT \'{}\' NOT NULL');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('ALTER TABLE job_line DROP said');
    }
}
