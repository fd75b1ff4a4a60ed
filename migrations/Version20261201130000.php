<?php

declare(strict_types=1);

namespace RodrelMigrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/** A year's jobs are searched, sorted and audited without reading all of them. */
final class Version20261201130000 extends AbstractMigration
{
    public function up(Schema $schema): void
    {
        $this->addSql('CREATE EXTENSION IF NOT EXISTS pg_trgm');
        $this->addSql('CREATE INDEX job_line_words ON job_line USING gin (search gin_trgm_ops)');
        $this->addSql('CREATE INDEX job_line_items ON job_line (open_items, touched_at)');
        $this->addSql('CREATE INDEX job_vehicle ON job (vehicle_id)');
        $this->addSql('CREATE INDEX job_entry_kind ON job_entry (kind, recorded_at)');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('DROP INDEX job_line_words, job_line_items, job_vehicle, job_entry_kind');
    }
}
