// Sets everything up on a machine with only Node and git, and serves the demo: npm run demo [-- --reset]
import { checkMachine, everyPackage, FOR_SERVING } from './setup/packages.mjs';
import { build } from './setup/build.mjs';
import { freePort } from './setup/ports.mjs';
import { database } from './setup/postgres.mjs';
import { inTypescript, program, run, say } from './setup/run.mjs';
import { serve } from './setup/serve.mjs';

await program(async (atStop) => {
  checkMachine();
  await everyPackage(FOR_SERVING);
  const db = await database('cluster');
  atStop(db.stop);
  await build();
  run('node', inTypescript('scripts/demo-data.ts', ...process.argv.slice(2)), {
    env: { ...process.env, DATABASE_URL: db.url },
  });
  const port = await freePort(Number(process.env.PORT ?? 3000));
  const app = await serve({ url: db.url, port, env: { UNDREL_DEMO: '1' }, quiet: true });
  atStop(app.stop);
  say(`Undrel is open at http://localhost:${port}   (Ctrl+C stops it; the data is kept)`);
  return app.exit;
});
