import { spawnSync } from 'node:child_process';
import { mkdtempSync, readdirSync, statSync, truncateSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import pg from 'pg';
import { migrate } from '../web/server/database/migrate';
import { closePool } from '../web/server/database/transaction';
import { testFirm } from '../web/server/testFirm';
import { privateCluster } from './setup/postgres.mjs';

const file = join(mkdtempSync(join(tmpdir(), 'undrel-backup-')), 'all.backup');
const npm = (script: string, url: string, ...args: string[]) =>
  spawnSync('npm', ['run', '-s', script, '--', ...args, file], {
    env: { ...process.env, DATABASE_URL: url },
    encoding: 'utf8',
  });

/** A digest of one firm's rows in every table; other tests may be writing theirs meanwhile. */
async function digests(url: string, firmId: string): Promise<Record<string, string>> {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  const { rows } = await client.query<{ tablename: string }>(
    `select tablename from pg_tables where schemaname = 'public' and tablename <> 'schema_migrations' order by tablename`,
  );
  const found: Record<string, string> = {};
  for (const { tablename } of rows) {
    const sum = await client.query(
      `select md5(coalesce(string_agg(t::text, '|' order by t::text), '')) as sum from ${tablename} t where firm_id = $1`,
      [firmId],
    );
    found[tablename] = sum.rows[0].sum;
  }
  await client.end();
  return found;
}

test('a backup fills an empty server with the same rows, ready to serve; a full one is refused @whole', async () => {
  const url = process.env.DATABASE_URL!;
  const { viewer } = await testFirm();
  await closePool();
  const made = npm('backup', url);
  expect(made.stderr + made.stdout).toContain('backed up');
  expect(statSync(file).mode & 0o777).toBe(0o600);
  const size = statSync(file).size;
  // One that fails leaves the one before it as it was, and nothing beside it.
  const failed = npm('backup', url.replace(/\/[^/]+$/, '/nowhere'));
  expect([failed.status, failed.stderr]).toEqual([1, expect.stringContaining('as it was')]);
  expect([statSync(file).size, readdirSync(dirname(file))]).toEqual([size, ['all.backup']]);
  const server = await privateCluster('restore-cluster');
  try {
    const admin = new pg.Client({ connectionString: server.url.replace(/\/undrel$/, '/postgres') });
    await admin.connect();
    await admin.query('drop database if exists undrel');
    await admin.query('create database undrel');
    await admin.end();
    const restored = npm('restore', server.url);
    expect(restored.stderr + restored.stdout).toContain('restored');
    const firms = async (address: string) => {
      const app = new pg.Client({ connectionString: address });
      await app.connect();
      const { rows } = await app.query('select * from firms');
      await app.end();
      return rows.length;
    };
    // The application's own login works there and, without a firm, sees nothing.
    expect(await firms(await migrate(server.url))).toBe(0);
    expect(await digests(server.url, viewer.firmId)).toEqual(await digests(url, viewer.firmId));
    expect(await firms(server.url)).toBeGreaterThan(0);
    const again = npm('restore', server.url);
    expect(again.status).not.toBe(0);
    expect(again.stderr + again.stdout).toContain('not empty');
    const checked = npm('backup', server.url, '--check');
    expect(checked.stdout).toMatch(/restores: \d+ tables/);
    truncateSync(file, size - 1000);
    const torn = npm('backup', server.url, '--check');
    expect([torn.status, torn.stderr]).toEqual([1, expect.stringContaining('does not restore')]);
  } finally {
    await server.stop();
  }
});

test('an older program does not start on a newer schema @whole', async () => {
  const url = process.env.DATABASE_URL!;
  const server = await privateCluster('restore-cluster');
  const scratch = server.url.replace(/\/undrel$/, '/newer');
  const admin = new pg.Client({ connectionString: server.url.replace(/\/undrel$/, '/postgres') });
  await admin.connect();
  try {
    await admin.query('drop database if exists newer');
    await admin.query('create database newer');
    await migrate(scratch);
    const client = new pg.Client({ connectionString: scratch });
    await client.connect();
    await client.query(`insert into schema_migrations (name, run_on) values ('0999_later', now())`);
    await client.end();
    await expect(migrate(scratch)).rejects.toThrow(/brought to 0999_later by a newer Undrel/);
    expect(url).not.toBe(scratch);
  } finally {
    await admin.query('drop database if exists newer');
    await admin.end();
    await server.stop();
  }
});
