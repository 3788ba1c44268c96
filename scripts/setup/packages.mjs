import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, statfsSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ask, ended, Plainly, ROOT, run, say, start } from './run.mjs';

const NEEDED_GIGABYTES = 2.5;

/** What the set-up finds on this machine; tests hand in others. */
export function thisMachine() {
  const disk = statfsSync(ROOT);
  return {
    node: process.versions.node,
    freeGigabytes: (disk.bavail * disk.bsize) / 1e9,
    isRoot: process.getuid?.() === 0,
    aptGet: '/usr/bin/apt-get',
    sudo: 'sudo',
  };
}

export function checkMachine({ node, freeGigabytes: free } = thisMachine()) {
  const [major] = node.split('.').map(Number);
  if (major < 20) throw new Plainly(`Node 20 or newer is needed; this is ${node}.`);
  if (free < NEEDED_GIGABYTES) {
    throw new Plainly(
      `Only ${free.toFixed(1)} GB free under ${ROOT}; about ${NEEDED_GIGABYTES} GB are needed.`,
    );
  }
}

/** npm packages as the lock file says; nothing to do when they already are. */
export function npmPackages() {
  const lock = createHash('sha256')
    .update(readFileSync(join(ROOT, 'package-lock.json')))
    .digest('hex');
  const stamp = join(ROOT, 'node_modules', '.undrel-lock');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === lock) return;
  say('installing npm packages');
  run('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], {
    env: { ...process.env, NODE_ENV: 'development' },
  });
  writeFileSync(stamp, lock);
}

/** apt-get as root or through sudo, or a plain word on why not. */
function apt(args, { isRoot, aptGet, sudo }) {
  if (!existsSync(aptGet))
    throw new Plainly('apt-get is not on this machine: Debian or a relative of it is needed.');
  const base = [aptGet, '-y', '-q', '-o', 'DPkg::Lock::Timeout=300', ...args];
  const environment = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  if (isRoot) return ask(base[0], base.slice(1), { env: environment, stdio: ['ignore', 'ignore', 'pipe'] });
  if (ask(sudo, ['--version']).status !== 0) {
    throw new Plainly('Debian packages are missing and there is neither root nor sudo to install them.');
  }
  const quiet = process.stdin.isTTY ? [] : ['-n'];
  return ask(sudo, [...quiet, '--preserve-env=DEBIAN_FRONTEND', ...base], {
    env: environment,
    stdio: ['inherit', 'ignore', 'pipe'],
  });
}

const POSTGRES = '/usr/lib/postgresql';

/** Folder of the programs of the newest PostgreSQL that Debian has put here. */
export function newestBin() {
  if (!existsSync(POSTGRES)) return undefined;
  const versions = readdirSync(POSTGRES)
    .map(Number)
    .filter((v) => existsSync(join(POSTGRES, String(v), 'bin', 'initdb')));
  return versions.length > 0 ? join(POSTGRES, String(Math.max(...versions)), 'bin') : undefined;
}

/** Debian's Chromium without a window: the same engine, for a fifth less work. */
export const CHROMIUM = '/usr/bin/chromium-headless-shell';

/**
 * What is had of Debian, each with how it is known to be there.
 *
 * @type {Record<string, () => boolean>}
 */
const PRESENT = {
  postgresql: () => newestBin() !== undefined,
  'chromium-headless-shell': () => existsSync(CHROMIUM),
  // A word processor, without a screen, by which the tests read what leaves the product as DOCX.
  'libreoffice-writer-nogui': () => existsSync('/usr/bin/soffice'),
  // Another solver than the product's own, which the tests check it against.
  'glpk-utils': () => existsSync('/usr/bin/glpsol'),
};

/** What the product itself runs on, what shows its pages, and what its tests need. */
export const FOR_SERVING = ['postgresql'];
export const FOR_PAGES = [...FOR_SERVING, 'chromium-headless-shell'];
export const FOR_TESTS = [...FOR_PAGES, 'libreoffice-writer-nogui', 'glpk-utils'];

/** Keeps Debian's postgresql package from starting a cluster of its own on install. */
function withoutDefaultCluster(names, work) {
  if (process.getuid?.() !== 0 || !names.includes('postgresql')) return work();
  const folder = '/etc/postgresql-common/createcluster.d';
  const file = join(folder, 'undrel.conf');
  mkdirSync(folder, { recursive: true });
  writeFileSync(file, 'create_main_cluster = false\n');
  try {
    return work();
  } finally {
    rmSync(file, { force: true });
  }
}

/** Installs those of Debian's packages that are missing, in one go. Another clone may hold the lock: tries again for a while. */
export function debianPackages(names, machine = thisMachine(), present = PRESENT) {
  const missing = () => names.filter((name) => !present[name]());
  const wanted = missing();
  if (wanted.length === 0) return;
  say(`installing ${wanted.join(', ')} from Debian`);
  let last;
  for (let attempt = 0; attempt < 20; attempt++) {
    apt(['update'], machine);
    last = withoutDefaultCluster(wanted, () =>
      apt(['install', '--no-install-recommends', ...wanted], machine),
    );
    if (last.status === 0 && missing().length === 0) return;
    if (!/lock/i.test(last.stderr ?? '')) break;
    ask('sleep', ['5']);
  }
  throw new Plainly(
    `Could not install ${wanted.join(', ')}:\n${last?.stderr?.trim().split('\n').slice(-5).join('\n')}`,
  );
}

/**
 * npm's packages and Debian's, side by side: the one waits for the network while the other unpacks. Where sudo has to ask
 * for a password it asks first, with nothing printed over its question. A database that is named elsewhere needs none here.
 */
export async function everyPackage(names) {
  const wanted = names.filter((name) => name !== 'postgresql' || !process.env.DATABASE_URL);
  const { isRoot, sudo } = thisMachine();
  if (!isRoot && ask(sudo, ['-n', 'true']).status !== 0) {
    debianPackages(wanted);
    return npmPackages();
  }
  const debian = ended(start('node', [join(ROOT, 'scripts', 'setup', 'debian.mjs'), ...wanted]));
  npmPackages();
  if ((await debian) !== 0) throw new Plainly('What is needed of Debian is not there.');
}
