<?php

declare(strict_types=1);

namespace RodrelMigrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

/**
 * Who works in the shop is changed by functions that look at who asks. They run with the rights of the tables' owner
 * and a search path that nobody can bend; the application may call them and may not write the table itself.
 */
final class Version20261201120000 extends AbstractMigration
{
    private const OWNER = "pg_has_role(session_user,
        (SELECT relowner FROM pg_class WHERE oid = 'public.person'::regclass), 'USAGE')";

    public function up(Schema $schema): void
    {
        $owner = self::OWNER;
        $head = 'LANGUAGE plpgsql SECURITY DEFINER SET search_path = pg_catalog, pg_temp';
        $this->addSql(<<<SQL
            CREATE FUNCTION public.person_save(actor uuid, who uuid, its_login text, its_name text, its_role text,
                its_hash text, its_pin text, left_at timestamptz) RETURNS void $head AS \$\$
            BEGIN
                IF NOT $owner AND NOT EXISTS (SELECT FROM public.person p WHERE p.id = actor AND p.role = 'admin'
                    AND p.retired_at IS NULL AND p.password_hash <> '') THEN
                    RAISE EXCEPTION 'only an admin changes who works here' USING ERRCODE = '42501';
                END IF;
                IF its_role NOT IN ('technician', 'lead', 'admin') THEN
                    RAISE EXCEPTION 'no such role' USING ERRCODE = '22023';
                END IF;
                INSERT INTO public.person AS p (id, login, name, role, password_hash, pin_hash, retired_at)
                VALUES (who, its_login, its_name, its_role, its_hash, its_pin, left_at)
                ON CONFLICT (id) DO UPDATE SET name = its_name, role = its_role, password_hash = its_hash,
                    pin_hash = its_pin, retired_at = left_at;
            END \$\$
            SQL);
        $this->addSql(<<<SQL
            CREATE FUNCTION public.person_secret(actor uuid, its_hash text, its_pin text, its_length int)
            RETURNS void $head AS \$\$
            BEGIN
                UPDATE public.person SET password_hash = its_hash, pin_hash = its_pin, pin_length = its_length,
                    pin_wrong = CASE WHEN pin_hash = its_pin THEN pin_wrong ELSE 0 END
                WHERE id = actor AND retired_at IS NULL AND password_hash <> '';
                IF NOT FOUND THEN
                    RAISE EXCEPTION 'nobody who works here' USING ERRCODE = '42501';
                END IF;
            END \$\$
            SQL);
        $this->addSql(<<<SQL
            CREATE FUNCTION public.person_elsewhere(who uuid, its_login text, its_name text) RETURNS void $head AS \$\$
            BEGIN
                INSERT INTO public.person (id, login, name, role, password_hash)
                VALUES (who, its_login, its_name, 'technician', '') ON CONFLICT DO NOTHING;
            END \$\$
            SQL);
        $this->addSql(<<<'SQL'
            REVOKE ALL ON FUNCTION public.person_save, public.person_secret, public.person_elsewhere FROM PUBLIC
            SQL);
    }

    public function down(Schema $schema): void
    {
        $this->addSql('DROP FUNCTION public.person_save, public.person_secret, public.person_elsewhere');
    }
}
