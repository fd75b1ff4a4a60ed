-- The application's role in a cluster of our own; an outside database's administrator makes it there. Variables: app, secret.
SELECT format('CREATE ROLE %I', :'app') WHERE NOT EXISTS (SELECT FROM pg_roles WHERE rolname = :'app') \gexec
ALTER ROLE :"app" LOGIN NOSUPERUSER NOCREATEDB NOCREATEROLE NOREPLICATION PASSWORD :'secret';
REVOKE ALL ON SCHEMA public FROM PUBLIC;
