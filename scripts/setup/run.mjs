import { spawn, spawnSync } from 'node:child_process';
import { dirname, join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';

export const ROOT = resolve(dirname(fileURLToPath(import.meta.url)), '..', '..');

/** A failure the reader can act on: printed without a stack. */
export class Plainly extends Error {}

export const say = (text) => console.log(`· ${text}`);

/** Runs a command to its end with its output shown; throws plainly on failure. */
export function run(command, args, options = {}) {
  const done = spawnSync(command, args, { cwd: ROOT, stdio: 'inherit', ...options });
  if (done.error) throw new Plainly(`${command}: ${done.error.message}`);
  if (done.status !== 0)
    throw new Plainly(`${command} ${args.join(' ')} ended with status ${done.status ?? done.signal}.`);
}

/** Runs a command and gives back status and output. */
export const ask = (command, args, options = {}) =>
  spawnSync(command, args, { cwd: ROOT, encoding: 'utf8', ...options });

/** A program in TypeScript and what it is given, as arguments of node. */
export const inTypescript = (file, ...args) => [
  '--import',
  join(ROOT, 'scripts', 'setup', 'typescript.mjs'),
  file,
  ...args,
];

/** Starts a long-running child in a process group of its own. */
export const start = (command, args, options = {}) =>
  spawn(command, args, { cwd: ROOT, stdio: 'inherit', ...options });

/** Waits for a child to end. */
export const ended = (child) =>
  new Promise((done) => child.once('exit', (code, signal) => done(code ?? (signal ? 1 : 0))));

/**
 * Runs main and the stops it registered, also on Ctrl+C and TERM; stops run last to first.
 *
 * @param main (atStop) => exit status
 */
export async function program(main) {
  const stops = [];
  let stopping;
  const stop = () =>
    (stopping ??= (async () => {
      for (const s of stops.reverse()) await s();
    })());
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) {
    process.on(signal, () => void stop().then(() => process.exit(signal === 'SIGINT' ? 130 : 143)));
  }
  let status = 1;
  try {
    status = (await main((s) => stops.push(s))) ?? 0;
  } catch (error) {
    console.error(error instanceof Plainly ? `\n${error.message}` : error);
  }
  await stop();
  process.exit(status);
}
