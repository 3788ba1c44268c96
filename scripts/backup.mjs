// Writes the whole database to one file (pg_dump custom format): npm run backup -- FILE
// Restores a file into a scratch cluster and compares it with the database: npm run backup -- --check FILE
import { closeSync, existsSync, fsyncSync, openSync, renameSync, rmSync, statSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import { database, postgresPrograms, privateCluster } from './setup/postgres.mjs';
import { ask, Plainly, program, say } from './setup/run.mjs';

/** Has what is written to a file or a folder reach the disk. */
function sync(path) {
  const open = openSync(path, 'r');
  try {
    fsyncSync(open);
  } finally {
    closeSync(open);
  }
}

/** Beside the file first, whole and on the disk, readable by its owner alone; only then in its place. */
function backUp(url, file) {
  const part = `${file}.part-${process.pid}`;
  const before = process.umask(0o077);
  try {
    // The application's login belongs to its server, not to the data: it is made anew where the backup is restored.
    const dump = ask(join(postgresPrograms(), 'pg_dump'), [
      '--format=custom',
      '--no-owner',
      '--no-privileges',
      '--exclude-schema=undrel_private',
      `--file=${part}`,
      `--dbname=${url}`,
    ]);
    if (dump.status !== 0)
      throw new Plainly(
        `pg_dump failed; ${existsSync(file) ? `${file} is as it was` : 'nothing was written'}:\n${dump.stderr}`,
      );
    sync(part);
    renameSync(part, file);
    sync(dirname(file));
  } finally {
    process.umask(before);
    rmSync(part, { force: true });
  }
}

const TABLES = `select tablename from pg_tables where schemaname = 'public' order by tablename`;

/** Rows and digest of every table. */
function digests(bin, url) {
  const psql = (sql) => {
    const answer = ask(join(bin, 'psql'), [url, '-Atc', sql], { maxBuffer: 1 << 28 });
    if (answer.status !== 0) throw new Plainly(`The database was not reached:\n${answer.stderr}`);
    return answer.stdout.trim();
  };
  const tables = psql(TABLES).split('\n').filter(Boolean);
  return new Map(
    tables.map((table) => [
      table,
      psql(
        `select count(*) || ' rows, ' || md5(coalesce(string_agg(md5(t::text), '' order by md5(t::text)), '')) from "${table}" t`,
      ),
    ]),
  );
}

/** Whether a file restores whole, and which tables differ from those of the database now. */
async function check(url, file, atStop) {
  if (!existsSync(file)) throw new Plainly(`There is no backup at ${file}.`);
  const bin = postgresPrograms();
  const scratch = await privateCluster('check-cluster');
  atStop(scratch.stop);
  const admin = scratch.url.replace(/\/undrel$/, '/postgres');
  for (const sql of ['drop database if exists undrel_check', 'create database undrel_check'])
    if (ask(join(bin, 'psql'), [admin, '-qc', sql]).status !== 0)
      throw new Plainly('The scratch cluster did not take the database.');
  const target = scratch.url.replace(/\/undrel$/, '/undrel_check');
  const restored = ask(join(bin, 'pg_restore'), [
    '--no-owner',
    '--no-privileges',
    '--single-transaction',
    `--dbname=${target}`,
    file,
  ]);
  if (restored.status !== 0) throw new Plainly(`The backup does not restore:\n${restored.stderr}`);
  const [kept, now] = [digests(bin, target), digests(bin, url)];
  if (kept.size === 0) throw new Plainly('The backup holds no tables.');
  const different = [...now].filter(([table, sum]) => kept.get(table) !== sum);
  ask(join(bin, 'psql'), [admin, '-qc', 'drop database undrel_check']);
  say(`${file} restores: ${kept.size} tables, ${(statSync(file).size / 1e6).toFixed(1)} MB`);
  if (different.length === 0) say('the same as the database now');
  else
    for (const [table, sum] of different)
      say(
        `differs from the database now, ${table}: ${kept.get(table)?.split(',')[0] ?? 'not there'}; now ${sum.split(',')[0]}`,
      );
}

await program(async (atStop) => {
  const args = process.argv.slice(2);
  const checking = args[0] === '--check';
  const named = checking ? args[1] : args[0];
  const file = resolve(named ?? `undrel-${new Date().toISOString().slice(0, 10)}.backup`);
  const db = await database('cluster');
  atStop(db.stop);
  if (checking) return check(db.url, file, atStop);
  backUp(db.url, file);
  say(`backed up to ${file}`);
});
