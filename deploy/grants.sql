-- What the application may do in the shop's database; run by its owner after every change of the tables.
-- Evidence is added to, never changed: no UPDATE, DELETE or TRUNCATE of the log and its pictures; no job, vehicle or person is deleted. Variables: app (role), secret (password).
SELECT format('CREATE ROLE %I', :'app') WHERE NOT EXISTS (SELECT FROM pg_roles WHERE rolname = :'app') \gexec
ALTER ROLE :"app" LOGIN NOSUPERUSER NOCREATEDB NOCREATEROLE NOREPLICATION PASSWORD :'secret';
REVOKE ALL ON SCHEMA public FROM PUBLIC;
REVOKE ALL ON ALL TABLES IN SCHEMA public FROM :"app";
GRANT USAGE ON SCHEMA public TO :"app";
GRANT SELECT, INSERT, UPDATE, DELETE ON ALL TABLES IN SCHEMA public TO :"app";
GRANT USAGE, SELECT ON ALL SEQUENCES IN SCHEMA public TO :"app";
REVOKE UPDATE, DELETE ON job_entry, photo FROM :"app";
REVOKE DELETE ON job, vehicle, person FROM :"app";
REVOKE INSERT, UPDATE, DELETE ON doctrine_migration_versions FROM :"app";
