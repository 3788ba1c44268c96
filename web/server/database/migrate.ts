import { randomBytes } from 'node:crypto';
import { readdirSync } from 'node:fs';
import { runner } from 'node-pg-migrate';
import pg from 'pg';
import { RECORD_TABLES } from '../../protocol/kinds';
import { projectFile } from '../../work/paper/projectFile';

/** One lock for every copy that starts: the second waits, then finds nothing left to do. */
const MIGRATION_LOCK = 7_301_187;

/** Tables the application may write; the rest it may at most read. */
const WRITABLE = [
  'firms',
  'users',
  'sessions',
  'invitations',
  'authenticator_apps',
  'passkeys',
  'recovery_codes',
  'signin_steps',
  'clients',
  'properties',
  ...RECORD_TABLES,
  'assessments',
  'calendar_feeds',
  'daily_weather',
  'reports',
  'report_counters',
];

/** What answers before a firm is known; nobody else may ask it. */
const BEFORE_A_FIRM =
  'auth_account, auth_try, auth_tried, auth_enter, auth_invitation, auth_step_open, auth_step, auth_step_take, auth_passkey, auth_offer, auth_offer_picture, auth_approve, auth_feed, auth_notice, auth_receive, auth_issued';

export function databaseUrl(): string {
  const url = process.env.DATABASE_URL;
  if (!url) throw new Error('DATABASE_URL is not set; `npm run demo` sets up a database of its own.');
  return url;
}

/** The address of the database with the application's own login in place of the owner's. */
function withLogin(url: string, user: string, password: string): string {
  const changed = new URL(url);
  changed.username = encodeURIComponent(user);
  changed.password = encodeURIComponent(password);
  return changed.toString();
}

/**
 * The application's login: a role of its own for this database, neither owner nor superuser, its password kept where
 * only the owner reads it. APP_DATABASE_URL names another, where the owner may not create roles.
 */
async function appLogin(client: pg.Client, url: string): Promise<string> {
  const given = process.env.APP_DATABASE_URL;
  if (given) return given;
  await client.query('create schema if not exists undrel_private');
  await client.query('create table if not exists undrel_private.app_login (password text not null)');
  const kept = await client.query<{ password: string }>('select password from undrel_private.app_login');
  const password = kept.rows[0]?.password ?? randomBytes(24).toString('hex');
  if (kept.rows.length === 0)
    await client.query('insert into undrel_private.app_login values ($1)', [password]);
  const { rows } = await client.query<{ role: string; present: boolean }>(
    `select 'undrel_app_' || d.oid as role, exists (select from pg_roles r where r.rolname = 'undrel_app_' || d.oid) as present
       from pg_database d where d.datname = current_database()`,
  );
  const { role, present } = rows[0]!;
  try {
    await client.query(
      `${present ? 'alter' : 'create'} role ${client.escapeIdentifier(role)} with login nosuperuser nobypassrls nocreatedb nocreaterole password ${client.escapeLiteral(password)}`,
    );
  } catch (error) {
    const detail = error instanceof Error ? error.message : String(error);
    throw new Error(
      `The role of DATABASE_URL may not create the application's login (${detail}). Create a plain login without BYPASSRLS and set APP_DATABASE_URL to it.`,
      { cause: error },
    );
  }
  return withLogin(url, role, password);
}

async function grant(client: pg.Client, appUrl: string): Promise<void> {
  const role = decodeURIComponent(new URL(appUrl).username);
  const { rows } = await client.query<{ strong: boolean; owns: boolean }>(
    `select r.rolsuper or r.rolbypassrls as strong, exists (select from pg_tables t where t.tableowner = r.rolname and t.schemaname = 'public') as owns
       from pg_roles r where r.rolname = $1`,
    [role],
  );
  if (!rows[0]) throw new Error(`APP_DATABASE_URL names the role ${role}, which does not exist.`);
  if (rows[0].strong || rows[0].owns) {
    throw new Error(
      `The application's role ${role} is a superuser, bypasses row security or owns tables; use a plain login.`,
    );
  }
  const to = client.escapeIdentifier(role);
  await client.query(`grant usage on schema public to ${to}`);
  await client.query(`grant select, insert, update on ${WRITABLE.join(', ')} to ${to}`);
  await client.query(
    `grant delete on sessions, authenticator_apps, passkeys, recovery_codes, signin_steps to ${to}`,
  );
  // What was offered is made and taken back; only the holder of its link approves it.
  await client.query(`revoke update on offers from ${to}`);
  await client.query(`grant select, insert, update (revoked_at) on offers to ${to}`);
  // A notice is made and taken back; only the holder of its link says that it was received.
  await client.query(`grant select, insert, update (revoked_at) on notices to ${to}`);
  // A file that was taken stays as it is, and so does a report that was issued.
  await client.query(`grant select, insert on picture_files, property_reports to ${to}`);
  await client.query(`grant select, insert, delete on picture_pieces to ${to}`);
  await client.query(`grant select on audit_entries to ${to}`);
  await client.query(`revoke execute on function ${BEFORE_A_FIRM} from public`);
  await client.query(`grant execute on function ${BEFORE_A_FIRM} to ${to}`);
}

/**
 * Refuses a schema that this program does not know: what a newer one has written an older one would misread or lose.
 *
 * @throws with the newest step that is not known here
 */
async function refuseNewer(client: pg.Client): Promise<void> {
  const there = await client.query<{ there: boolean }>(
    `select to_regclass('schema_migrations') is not null as there`,
  );
  if (!there.rows[0]!.there) return;
  const { rows } = await client.query<{ name: string }>('select name from schema_migrations order by name');
  const known = new Set(
    readdirSync(projectFile('db', 'migrations')).map((file) => file.replace(/\.[^.]+$/, '')),
  );
  const newer = rows.map((r) => r.name).filter((name) => !known.has(name));
  if (newer.length > 0)
    throw new Error(
      `The database has been brought to ${newer.at(-1)!} by a newer Undrel; this one does not know that. Start the newer version, or restore a backup made before it.`,
    );
}

/**
 * Brings the database of DATABASE_URL to the newest schema and readies the application's login.
 *
 * Safe to run from several copies at once: they queue on an advisory lock.
 *
 * @returns the address the application connects with
 */
export async function migrate(url = databaseUrl()): Promise<string> {
  const client = new pg.Client({ connectionString: url, application_name: 'undrel migrate' });
  await client.connect();
  try {
    await client.query('select pg_advisory_lock($1)', [MIGRATION_LOCK]);
    await refuseNewer(client);
    await runner({
      dbClient: client,
      dir: projectFile('db', 'migrations'),
      direction: 'up',
      migrationsTable: 'schema_migrations',
      noLock: true,
      log: () => undefined,
    });
    const appUrl = await appLogin(client, url);
    await grant(client, appUrl);
    return appUrl;
  } finally {
    await client.end();
  }
}
