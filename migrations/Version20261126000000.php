<?php

declare(strict_types=1);

namespace RodrelMigrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261126000000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Vehicles that jobs belong to, claims of what came in from elsewhere, judgements that are kept, '
            .'predictions by fault';
    }

    public function up(Schema $schema): void
    {
        $this->addSql(
            'CREATE TABLE vehicle (id UUID NOT NULL, unit VARCHAR(120) NOT NULL, preset VARCHAR(60) NOT NULL, '
                .'parts JSONB NOT NULL, known_since TIMESTAMP(0) WITH TIME ZONE NOT NULL, PRIMARY KEY (id))',
        );
        $this->addSql('CREATE INDEX vehicle_unit ON vehicle (unit)');
        // jobs keep what they were opened with, so that a vehicle attached by its name can be detached again
        $this->addSql(
            'INSERT INTO vehicle (id, unit, preset, parts, known_since) SELECT gen_random_uuid(), unit, preset, '
                .'parts, min(opened_at) FROM job GROUP BY unit, preset, parts',
        );
        $this->addSql('ALTER TABLE job ADD vehicle_id UUID');
        $this->addSql(
            'UPDATE job SET vehicle_id = v.id FROM vehicle v WHERE v.unit = job.unit AND v.preset = job.preset '
                .'AND v.parts = job.parts',
        );
        $this->addSql('ALTER TABLE job ALTER vehicle_id SET NOT NULL');

        $this->addSql('ALTER TABLE job_entry ADD claim JSONB DEFAULT NULL');
        $this->addSql('ALTER TABLE photo ADD claim JSONB DEFAULT NULL');
        $this->addSql(
            'CREATE TABLE judgement (job_id UUID NOT NULL PRIMARY KEY, key CHAR(64) NOT NULL, data TEXT NOT NULL)',
        );
        $this->addSql('CREATE TABLE shop_seal (id INT NOT NULL PRIMARY KEY, key CHAR(64) NOT NULL)');
        $this->addSql('TRUNCATE signature');
    }

    public function down(Schema $schema): void
    {
        $this->throwIrreversibleMigrationException(
            'Migrations go forward only; restore the dump under var/dumps instead.',
        );
    }
}
