import { readFileSync } from 'node:fs';
import { Worker } from 'node:worker_threads';
import { transformSync } from 'esbuild';

// Nineteenth figure of a thread's own `stat`: how nice it is (proc(5)); the name before it may hold blanks.
const nice = (stat: string): number => Number(stat.slice(stat.lastIndexOf(')') + 2).split(' ')[16]);
const own = (): number => nice(readFileSync('/proc/thread-self/stat', 'utf8'));

/** How nice a thread is that stands back by so much. */
const after = async (by: number): Promise<number> => {
  const { code } = transformSync(readFileSync('web/thread/stepBack.ts', 'utf8'), {
    loader: 'ts',
    format: 'cjs',
  });
  const told = `
    stepBack(${by});
    require('node:worker_threads').parentPort.postMessage(
      require('node:fs').readFileSync('/proc/thread-self/stat', 'utf8'),
    );`;
  const worker = new Worker(`${code}\n${told}`, { eval: true });
  try {
    return nice(await new Promise<string>((done) => worker.once('message', done)));
  } finally {
    await worker.terminate();
  }
};

test('a thread that sets documents stands back for what answers requests, and no other does', async () => {
  const before = own();
  expect(await after(0)).toBe(before);
  expect(await after(10)).toBe(Math.min(19, Math.max(before, 10)));
  // However far it is told to.
  expect(await after(50)).toBe(19);
  expect(own()).toBe(before);
});
