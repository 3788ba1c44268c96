import { join } from 'node:path';
import { ended, Plainly, ROOT, start } from './run.mjs';

/**
 * A connection that is still is kept this long, ms: longer than a proxy keeps its own (60 s as they come), and than a
 * person reads between two presses. Whoever closes first must be the one who asks: a server that closes while a
 * request is on its way answers it with a reset. Next.js keeps 5 s by itself.
 */
const KEPT_ALIVE = 75_000;

/** What starts the built application, as arguments of node. */
export const served = (folder, port, host = '127.0.0.1') => [
  join(ROOT, 'node_modules', 'next', 'dist', 'bin', 'next'),
  ...['start', folder, '-p', String(port), '-H', host, '--keepAliveTimeout', String(KEPT_ALIVE)],
];

/**
 * Starts the built application and waits until it answers.
 *
 * @returns the child and a stop() that ends it cleanly
 */
export async function serve({ url, port, dist = '.next', env = {}, quiet = false }) {
  const child = start('node', served('web', port, env.HOST), {
    stdio: quiet ? ['ignore', 'ignore', 'inherit'] : 'inherit',
    env: {
      ...process.env,
      NODE_ENV: 'production',
      NEXT_TELEMETRY_DISABLED: '1',
      UNDREL_DIST: dist,
      DATABASE_URL: url,
      ...env,
    },
  });
  let over = false;
  const exit = ended(child).then((code) => {
    over = true;
    return code;
  });
  const stop = async () => {
    if (!over) child.kill('SIGTERM');
    await exit;
  };
  for (let i = 0; i < 240 && !over; i++) {
    const answer = await fetch(`http://127.0.0.1:${port}/api/health`).catch(() => undefined);
    if (answer?.ok) return { child, stop, exit };
    await new Promise((r) => setTimeout(r, 250));
  }
  await stop();
  throw new Plainly('The application did not start; its messages are above.');
}
