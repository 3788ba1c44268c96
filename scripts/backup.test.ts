import { spawnSync } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import pg from 'pg';
import { migrate } from '../web/server/database/migrate';
import { pool } from '../web/server/database/transaction';
import { testFirm } from '../web/server/database/testFirm';
import { privateCluster } from './setup/postgres.mjs';

const file = join(mkdtempSync(join(tmpdir(), 'undrel-backup-')), 'all.backup');
const npm = (script: string, url: string) =>
  spawnSync('npm', ['run', '-s', script, '--', file], {
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

test('a backup fills an empty server with the same rows, ready to serve; a full one is refused', async () => {
  const url = process.env.DATABASE_URL!;
  const { viewer } = await testFirm();
  await (await pool()).end();
  const made = npm('backup', url);
  expect(made.stderr + made.stdout).toContain('backed up');
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
  } finally {
    await server.stop();
  }
});
