import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { brotliCompress, constants } from 'node:zlib';
import { ask, ROOT, run, say } from './run.mjs';

const brotli = promisify(brotliCompress);

/** Digest of every source file that ends up in the build. */
function sources() {
  const listed = ask('git', [
    'ls-files',
    '-co',
    '--exclude-standard',
    '--',
    'core',
    'web',
    'scripts/setup/build.mjs',
    'package-lock.json',
  ]).stdout;
  const hash = createHash('sha256');
  for (const file of listed
    .split('\n')
    .filter((f) => f && !/\.test\.tsx?$/.test(f))
    .sort()) {
    if (existsSync(join(ROOT, file))) hash.update(file).update(readFileSync(join(ROOT, file)));
  }
  return hash.digest('hex');
}

/** Builds what runs in threads beside the server. */
export function threads() {
  run('npm', ['run', '-s', 'threads', '--workspace', 'web']);
}

/** Has a browser that knows it compile all of a file while it is fetched. V8, "explicit JavaScript compile hints", 2025. */
const COMPILED_AHEAD = '//# allFunctionsCalledOnLoad\n';

/**
 * Marks the programs of the browser to be compiled beside the page as they come. Without it each of their functions halts the
 * page to be compiled when it is first called, which is a third of what a page has to do before it answers.
 */
function compiledAhead(dist) {
  const folder = join(ROOT, 'web', dist, 'static', 'chunks');
  for (const name of readdirSync(folder, { recursive: true, encoding: 'utf8' })) {
    const file = join(folder, name);
    if (name.endsWith('.js')) writeFileSync(file, COMPILED_AHEAD + readFileSync(file, 'utf8'));
  }
}

/** How much is tried to make a file small, of 11: the last step takes three times as long for 2 %. */
const EFFORT = 10;
/** Files above so many bytes, and for them: a step more takes ten times as long for a tenth. */
const LARGE = { bytes: 1_000_000, effort: 9 };

/** Lays beside each program and style of the browser its smaller form, for browsers that take it (RFC 7932); `web/serve.mjs` sends it. */
async function madeSmall(dist) {
  const folder = join(ROOT, 'web', dist, 'static');
  const files = readdirSync(folder, { recursive: true, encoding: 'utf8' }).filter((f) =>
    /\.(js|css|svg|wasm)$/.test(f),
  );
  await Promise.all(
    files.map(async (name) => {
      const whole = readFileSync(join(folder, name));
      const small = await brotli(whole, {
        params: {
          [constants.BROTLI_PARAM_QUALITY]: whole.length > LARGE.bytes ? LARGE.effort : EFFORT,
          [constants.BROTLI_PARAM_SIZE_HINT]: whole.length,
        },
      });
      writeFileSync(join(folder, `${name}.br`), small);
    }),
  );
}

/** Builds the command line and the application. */
export async function make(dist = '.next') {
  run('npm', ['run', '-s', 'build', '--workspace', 'core']);
  threads();
  run('npx', ['--no-install', 'next', 'build', 'web'], {
    env: { ...process.env, NODE_ENV: 'production', NEXT_TELEMETRY_DISABLED: '1', UNDREL_DIST: dist },
    stdio: process.env.CI ? 'inherit' : ['ignore', 'ignore', 'inherit'],
  });
  compiledAhead(dist);
  await madeSmall(dist);
}

/** Builds unless this very source is built already. */
export async function build(dist = '.next') {
  const stamp = join(ROOT, 'web', dist, 'undrel-sources');
  const now = sources();
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === now) return;
  say('building');
  await make(dist);
  writeFileSync(stamp, now);
}
