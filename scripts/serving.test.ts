import { spawn, type ChildProcess } from 'node:child_process';
import { ended } from './setup/run.mjs';
import { freePort } from './setup/ports.mjs';

const launched: ChildProcess[] = [];
afterAll(() => launched.forEach((child) => child.kill('SIGKILL')));

function launch(script: string, env: Record<string, string | undefined>) {
  const child = spawn('node', [script], {
    env: { ...process.env, NODE_OPTIONS: '', ...env } as NodeJS.ProcessEnv,
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  launched.push(child);
  const told: string[] = [];
  for (const stream of [child.stdout, child.stderr]) stream.on('data', (part) => told.push(String(part)));
  return { child, told, over: ended(child) as Promise<number> };
}

async function answers(url: string, seconds: number): Promise<Response | undefined> {
  for (let i = 0; i < seconds * 4; i++) {
    const answer = await fetch(url).catch(() => undefined);
    if (answer?.ok) return answer;
    await new Promise((done) => setTimeout(done, 250));
  }
  return undefined;
}

test('npm start asks for DATABASE_URL in plain words @whole', async () => {
  const { told, over } = launch('scripts/start.mjs', { DATABASE_URL: undefined });
  expect(await over).toBe(1);
  expect(told.join('')).toMatch(/Set DATABASE_URL, for example postgres:/);
});

// In development each page is compiled when it is first asked for: there the answer that it is up has to do.
test.each([
  // Whoever asks closes first: a proxy that keeps its connections for a minute, as they come, never meets a closed one.
  ['npm start', 'scripts/start.mjs', '/sign-in', { UNDREL_DIST: '.next-test' }, 60],
  ['npm run dev', 'scripts/dev.mjs', '/api/health', {}, 0],
])('%s serves, keeps connections, and stops cleanly @whole', async (_, script, path, env, kept) => {
  const port = String(await freePort(0));
  const { child, told, over } = launch(script, { ...env, PORT: port });
  const page = `http://127.0.0.1:${port}${path}`;
  const answer = await answers(page, 240);
  expect([answer?.status, told.join('').slice(-600)]).toEqual([200, expect.anything()]);
  expect(Number(/timeout=(\d+)/.exec(answer!.headers.get('keep-alive') ?? '')?.[1])).toBeGreaterThan(kept);
  child.kill('SIGTERM');
  expect(await over).toBe(143);
  await expect(fetch(page)).rejects.toThrow();
});
