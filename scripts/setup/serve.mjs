import { join } from 'node:path';
import { ended, Plainly, ROOT, start } from './run.mjs';

/** What starts the application, as arguments of node. */
export const served = (port, host = '127.0.0.1') => [join(ROOT, 'web', 'serve.mjs'), String(port), host];

/**
 * Starts the built application and waits until it answers.
 *
 * @returns the child and a stop() that ends it cleanly
 */
export async function serve({ url, port, dist = '.next', env = {}, quiet = false }) {
  const child = start('node', served(port, env.HOST), {
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
