-- What the application may do in the shop's database; run by the owner of its tables after every change of them, here and
-- in an outside database. Evidence is added to, never changed: no UPDATE, DELETE or TRUNCATE of the log and its pictures;
-- no job, vehicle or person is deleted. Variable: app (role). It wants no rights beyond those of an owner.
REVOKE ALL ON ALL TABLES IN SCHEMA public FROM :"app";
GRANT USAGE ON SCHEMA public TO :"app";
GRANT SELECT, INSERT, UPDATE, DELETE ON ALL TABLES IN SCHEMA public TO :"app";
GRANT USAGE, SELECT ON ALL SEQUENCES IN SCHEMA public TO :"app";
REVOKE UPDATE, DELETE ON job_entry, photo FROM :"app";
REVOKE DELETE ON job, vehicle FROM :"app";
-- people: their own settings and the count of wrong PINs; all else by functions that look at who asks
REVOKE INSERT, UPDATE, DELETE ON person FROM :"app";
GRANT UPDATE (shortcuts, dark, imperial, language, pin_wrong) ON person TO :"app";
GRANT EXECUTE ON FUNCTION person_save, person_secret, person_elsewhere TO :"app";
REVOKE INSERT, UPDATE, DELETE ON doctrine_migration_versions FROM :"app";
