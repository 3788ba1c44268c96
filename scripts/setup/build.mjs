import { createHash } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ask, ROOT, run, say } from './run.mjs';

/** Digest of every source file that ends up in the build. */
function sources() {
  const listed = ask('git', [
    'ls-files',
    '-co',
    '--exclude-standard',
    '--',
    'core',
    'web',
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

/** Builds the command line and the application unless this very source is built already. */
export function build(dist = '.next') {
  const stamp = join(ROOT, 'web', dist, 'undrel-sources');
  const now = sources();
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === now) return;
  say('building');
  run('npm', ['run', '-s', 'build', '--workspace', 'core']);
  threads();
  run('npx', ['--no-install', 'next', 'build', 'web'], {
    env: { ...process.env, NODE_ENV: 'production', NEXT_TELEMETRY_DISABLED: '1', UNDREL_DIST: dist },
    stdio: process.env.CI ? 'inherit' : ['ignore', 'ignore', 'inherit'],
  });
  writeFileSync(stamp, now);
}
