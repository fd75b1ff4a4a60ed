<?php

declare(strict_types=1);

namespace RodrelMigrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/** What a shop is marked with, people who have left, and a slow-down that counts places too. */
final class Version20261127000000 extends AbstractMigration
{
    public function up(Schema $schema): void
    {
        $this->addSql('CREATE TABLE shop_mark (name VARCHAR(40) NOT NULL PRIMARY KEY, data JSONB NOT NULL)');
        // the seal is there from the first day, so that every backup holds it
        $this->addSql(
            'INSERT INTO shop_seal (id, key) VALUES (1, encode(sha256((gen_random_uuid()::text '
                ."|| gen_random_uuid()::text)::bytea), 'hex')) ON CONFLICT (id) DO NOTHING",
        );
        $this->addSql('ALTER TABLE person ADD retired_at TIMESTAMP(0) WITH TIME ZONE DEFAULT NULL');
        $this->addSql('ALTER TABLE person ADD pin_wrong INT NOT NULL DEFAULT 0');
        $this->addSql('ALTER TABLE person ADD pin_length INT NOT NULL DEFAULT 0');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('ALTER TABLE person DROP pin_length');
        $this->addSql('ALTER TABLE person DROP pin_wrong');
        $this->addSql('ALTER TABLE person DROP retired_at');
        $this->addSql('DROP TABLE shop_mark');
    }
}
