// Writes the whole database to one file (pg_dump custom format): npm run backup -- FILE
import { join, resolve } from 'node:path';
import { database, postgresPrograms } from './setup/postgres.mjs';
import { ask, Plainly, program, say } from './setup/run.mjs';

await program(async (atStop) => {
  const file = resolve(process.argv[2] ?? `undrel-${new Date().toISOString().slice(0, 10)}.backup`);
  const db = await database('cluster');
  atStop(db.stop);
  // The application's login belongs to its server, not to the data: it is made anew where the backup is restored.
  const dump = ask(join(postgresPrograms(), 'pg_dump'), [
    '--format=custom',
    '--no-owner',
    '--no-privileges',
    '--exclude-schema=undrel_private',
    `--file=${file}`,
    `--dbname=${db.url}`,
  ]);
  if (dump.status !== 0) throw new Plainly(`pg_dump failed:\n${dump.stderr}`);
  say(`backed up to ${file}`);
});
