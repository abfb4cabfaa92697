/**
 * The roles of a cluster besides the one that made it: the owner of the tables,
 * who alone changes their shape, and the app's, which owns nothing. Neither may
 * make databases or roles, run programs or read files.
 */
export const OWNER = 'brook_owner';
export const APP = 'brook_app';

/** A name as SQL. */
const text = (value: string): string => `'${value.replaceAll("'", "''")}'`;

/** Make the roles, or bring those that are there to what they may be. */
export function rolesSql(passwords: { readonly owner: string; readonly app: string }): string {
  const role = (name: string, password: string) => `
    DO $$ BEGIN
      IF NOT EXISTS (SELECT FROM pg_roles WHERE rolname = '${name}') THEN CREATE ROLE ${name}; END IF;
    END $$;
    ALTER ROLE ${name} LOGIN NOSUPERUSER NOCREATEDB NOCREATEROLE NOREPLICATION NOBYPASSRLS PASSWORD ${text(password)};`;
  return role(OWNER, passwords.owner) + role(APP, passwords.app);
}

/** Give a database to its owner and nobody else; the app may come in. */
export const databaseSql = (name: string): string => `
  ALTER DATABASE "${name}" OWNER TO ${OWNER};
  REVOKE ALL ON DATABASE "${name}" FROM PUBLIC;
  GRANT CONNECT ON DATABASE "${name}" TO ${APP};`;

/** Hand everything that stands in a database over to its owner: run inside it, by the role that made the cluster. */
export const HAND_OVER_SQL = `
  DO $$ DECLARE o record; BEGIN
    FOR o IN
      SELECT c.oid::regclass AS name, CASE c.relkind WHEN 'v' THEN 'VIEW' WHEN 'S' THEN 'SEQUENCE' ELSE 'TABLE' END AS kind
        FROM pg_class c
       WHERE c.relnamespace = 'public'::regnamespace AND c.relkind IN ('r', 'p', 'v', 'S') AND c.relowner <> '${OWNER}'::regrole
         AND NOT EXISTS (SELECT FROM pg_depend d WHERE d.objid = c.oid AND c.relkind = 'S' AND d.deptype IN ('a', 'i'))
    LOOP EXECUTE format('ALTER %s %s OWNER TO ${OWNER}', o.kind, o.name); END LOOP;
    FOR o IN
      SELECT p.oid::regprocedure AS name FROM pg_proc p
       WHERE p.pronamespace = 'public'::regnamespace AND p.proowner <> '${OWNER}'::regrole
    LOOP EXECUTE format('ALTER FUNCTION %s OWNER TO ${OWNER}', o.name); END LOOP;
  END $$;`;
