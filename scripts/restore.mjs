// Fills an empty database from a backup: npm run restore -- FILE
import { existsSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { database, postgresPrograms } from './setup/postgres.mjs';
import { ask, inTypescript, Plainly, program, run, say } from './setup/run.mjs';

await program(async (atStop) => {
  const file = resolve(process.argv[2] ?? '');
  if (!process.argv[2] || !existsSync(file))
    throw new Plainly(`There is no backup at ${process.argv[2] ?? '(no file named)'}.`);
  const db = await database('cluster');
  atStop(db.stop);
  const bin = postgresPrograms();
  const tables = ask(join(bin, 'psql'), [
    db.url,
    '-Atc',
    `select count(*) from pg_tables where schemaname = 'public'`,
  ]);
  if (tables.status !== 0) throw new Plainly(`The database was not reached:\n${tables.stderr}`);
  if (tables.stdout.trim() !== '0')
    throw new Plainly('The database is not empty; restore into an empty one. Nothing was changed.');
  const restored = ask(join(bin, 'pg_restore'), [
    '--no-owner',
    '--no-privileges',
    '--single-transaction',
    `--dbname=${db.url}`,
    file,
  ]);
  if (restored.status !== 0) throw new Plainly(`pg_restore failed; nothing was changed:\n${restored.stderr}`);
  run('node', inTypescript('scripts/migrate.ts'), {
    env: { ...process.env, DATABASE_URL: db.url },
    stdio: 'ignore',
  });
  say('restored; the application can start');
});
