// Development server on the private cluster (or DATABASE_URL), with the demo data: npm run dev
import { threads } from './setup/build.mjs';
import { checkMachine, everyPackage, FOR_SERVING } from './setup/packages.mjs';
import { freePort } from './setup/ports.mjs';
import { database } from './setup/postgres.mjs';
import { served } from './setup/serve.mjs';
import { ended, inTypescript, program, run, start } from './setup/run.mjs';

await program(async (atStop) => {
  checkMachine();
  await everyPackage(FOR_SERVING);
  threads();
  const db = await database('cluster');
  atStop(db.stop);
  const env = {
    ...process.env,
    DATABASE_URL: db.url,
    UNDREL_DEMO: '1',
    NEXT_TELEMETRY_DISABLED: '1',
    UNDREL_DIST: '.next-dev',
    NODE_ENV: 'development',
  };
  run('node', inTypescript('scripts/demo-data.ts', ...process.argv.slice(2)), { env });
  const port = await freePort(Number(process.env.PORT ?? 3000));
  const child = start('node', served(port, process.env.HOST), { env });
  const over = ended(child);
  atStop(async () => {
    child.kill('SIGTERM');
    await over;
  });
  return over;
});
