import pg from 'pg';
import { databaseUrl, migrate } from './migrate';
import { asUser, closePool, withoutFirm } from './transaction';
import { testFirm } from '../testFirm';

afterAll(closePool);

const owner = async <T extends pg.QueryResultRow>(sql: string): Promise<T[]> => {
  const client = new pg.Client({ connectionString: databaseUrl() });
  await client.connect();
  const { rows } = await client.query<T>(sql);
  await client.end();
  return rows;
};

test('with the WHERE clause forgotten, another firm’s rows do not come back', async () => {
  const a = await testFirm();
  const b = await testFirm();
  for (const table of ['properties', 'users', 'clients', 'audit_entries', 'firms']) {
    const seen = await asUser(a.viewer.firmId, a.viewer.userId, (db) =>
      db.rows<{ firm_id: string }>(`select firm_id from ${table}`),
    );
    expect(seen.length).toBeGreaterThan(0);
    expect(new Set(seen.map((r) => r.firm_id))).toEqual(new Set([a.viewer.firmId]));
  }
  const changed = await asUser(a.viewer.firmId, a.viewer.userId, (db) =>
    db.rows('update properties set name = $1 where id = $2 returning id', ['taken', b.propertyId]),
  );
  expect(changed).toEqual([]);
});

test('a row cannot be written for another firm, nor refer to one of theirs', async () => {
  const a = await testFirm();
  const b = await testFirm();
  const as = (sql: string, values: unknown[]) =>
    asUser(a.viewer.firmId, a.viewer.userId, (db) => db.rows(sql, values));
  await expect(
    as('insert into properties (firm_id, id, name) values ($1, $2, $3)', [b.viewer.firmId, 'x', 'x']),
  ).rejects.toThrow(/row-level security/);
  await expect(
    as(
      `insert into trees (firm_id, id, property_id, label, species) values (current_firm(), 'x', $1, 'x', 'x')`,
      [b.propertyId],
    ),
  ).rejects.toThrow(/foreign key/);
});

test('a request without a firm sees nothing, in any table', async () => {
  await testFirm();
  const tables = await owner<{ tablename: string }>(
    `select tablename from pg_tables where schemaname = 'public' and tablename <> 'schema_migrations'`,
  );
  expect(tables.length).toBeGreaterThan(15);
  for (const { tablename } of tables) {
    const rows = await withoutFirm((db) => db.rows(`select * from ${tablename}`)).catch(
      (error: Error) => error.message,
    );
    expect([tablename, rows]).toEqual([
      tablename,
      tablename === 'signin_attempts' ? expect.stringContaining('permission denied') : [],
    ]);
  }
});

test('every table has row-level security, and the application is neither owner nor superuser', async () => {
  const open = await owner<{ relname: string }>(
    `select relname from pg_class c join pg_namespace n on n.oid = c.relnamespace
      where n.nspname = 'public' and c.relkind = 'r' and not c.relrowsecurity and relname <> 'schema_migrations'`,
  );
  expect(open).toEqual([]);
  const [me] = await withoutFirm((db) =>
    db.rows<{ strong: boolean; owns: number }>(
      `select rolsuper or rolbypassrls or rolcreaterole as strong,
        (select count(*)::int from pg_tables where tableowner = current_user) as owns from pg_roles where rolname = current_user`,
    ),
  );
  expect(me).toEqual({ strong: false, owns: 0 });
  await expect(withoutFirm((db) => db.rows('select password from undrel_private.app_login'))).rejects.toThrow(
    /permission denied/,
  );
  await expect(withoutFirm((db) => db.rows('delete from audit_entries'))).rejects.toThrow(
    /permission denied/,
  );
});

test('copies that start at once are safe', async () => {
  const addresses = await Promise.all([migrate(), migrate(), migrate(), migrate()]);
  expect(new Set(addresses).size).toBe(1);
});
