// What must hold after every change, on a machine with only Node and git: npm test
// With the long tests as well, those with @whole in their title: npm run test:whole
// All browser tests alone, with every core loaded three times over: npm run test:busy
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { join, relative } from 'node:path';
import { stripVTControlCharacters } from 'node:util';
import { build } from './setup/build.mjs';
import { checkMachine, everyPackage, FOR_PAGES, FOR_TESTS } from './setup/packages.mjs';
import { freePort } from './setup/ports.mjs';
import { database } from './setup/postgres.mjs';
import { ended, inTypescript, program, ROOT, say, start } from './setup/run.mjs';
import { serve } from './setup/serve.mjs';

const RESULTS = join(ROOT, 'test-results');
const UNIT = join(RESULTS, 'unit.json');
const BUSY = process.argv.includes('--busy');
const WHOLE = BUSY || process.argv.includes('--whole');
/** Tells tests that the run is a short one: random cases are half as many, files of long tests alone are not opened. */
const SHORT = WHOLE ? {} : { UNDREL_SHORT: '1' };
/** What leaves the long tests out. */
const SHORT_UNIT = ['--testNamePattern', '^(?!.*@whole)'];
const SHORT_BROWSER = ['--grep-invert', '@whole'];

/** Loads every core three times over until it is stopped. */
function load() {
  const spin = 'for (;;) Math.sqrt(Math.random());';
  const all = Array.from({ length: 3 * availableParallelism() }, () => start('node', ['-e', spin]));
  return async () => {
    for (const one of all) one.kill('SIGKILL');
  };
}

/** A step that takes many times as long as it ever took hangs; it says nothing of how fast one has to be. */
const HANGS_MS = 90 * 60_000;

/** Runs one step to its end without stopping the others. */
async function passes(name, command, args, env = {}) {
  say(name);
  const began = Date.now();
  const child = start(command, args, { env: { ...process.env, ...env } });
  const hung = setTimeout(() => child.kill('SIGKILL'), HANGS_MS);
  const ok = (await ended(child)) === 0;
  clearTimeout(hung);
  const why = ok ? '' : Date.now() - began < HANGS_MS ? ', failed' : ', failed: it hung and was ended';
  say(`${name}: ${Math.round((Date.now() - began) / 1000)} s${why}`);
  return { name, ok };
}

/** How long each test took, ms, and whether it passed, from what the runners wrote. */
const testsOf = (unit, browser) => {
  const inSuite = (suite) => [
    ...(suite.specs ?? []).flatMap((spec) =>
      spec.tests.map((t) => ({
        name: `${suite.file}: ${spec.title}`,
        ms: t.results.reduce((sum, r) => sum + r.duration, 0),
        failed: t.status === 'unexpected' || t.status === 'flaky',
        why: t.results.map((r) => r.error?.message ?? '').find(Boolean),
      })),
    ),
    ...(suite.suites ?? []).flatMap(inSuite),
  ];
  return [
    // A file that could not be read has no tests.
    ...(unit?.testResults ?? []).flatMap((file) =>
      file.status === 'failed' && file.assertionResults.length === 0
        ? [{ name: relative(ROOT, file.name), ms: 0, failed: true, why: file.message }]
        : [],
    ),
    ...(unit?.testResults ?? []).flatMap((file) =>
      file.assertionResults.map((t) => ({
        name: `${relative(ROOT, file.name)}: ${t.title}`,
        ms: t.duration ?? 0,
        failed: t.status === 'failed',
        why: t.failureMessages?.[0],
      })),
    ),
    ...(browser?.suites ?? []).flatMap(inSuite),
  ];
};

const read = (file) => (existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : undefined);

await program(async (atStop) => {
  checkMachine();
  await everyPackage(BUSY ? FOR_PAGES : FOR_TESTS);
  rmSync(RESULTS, { recursive: true, force: true });
  mkdirSync(RESULTS);
  const db = await database('test-cluster');
  atStop(db.stop);

  // Side by side, and beside the build, which has threads of its own.
  const checking = BUSY
    ? []
    : [
        passes('lint', 'npx', ['--no-install', 'oxlint']),
        passes('circles of imports', 'npm', ['run', '-s', 'circles']),
        passes('format', 'npx', ['--no-install', 'oxfmt', '--check']),
        passes('types', 'npm', ['run', '-s', 'types']),
      ];
  await build('.next-test');
  const checks = await Promise.all(checking);
  // Much of it waits for files and the database: it goes on beside the unit tests, which keep to firms of their own.
  const demo = passes('demo data', 'node', inTypescript('scripts/demo-data.ts', '--reset'), {
    DATABASE_URL: db.url,
  });
  const env = {
    DATABASE_URL: db.url,
    PG_BIN: db.bin ?? '',
    NODE_OPTIONS: '--experimental-vm-modules',
    ...SHORT,
  };
  if (!BUSY)
    checks.push(
      await passes(
        'unit tests',
        'node',
        [
          'node_modules/jest/bin/jest.js',
          '--maxWorkers',
          '2',
          '--json',
          '--outputFile',
          UNIT,
          ...(WHOLE ? [] : SHORT_UNIT),
        ],
        env,
      ),
    );
  checks.push(await demo);
  const port = await freePort(0);
  const app = await serve({ url: db.url, port, dist: '.next-test', env: { UNDREL_DEMO: '1' }, quiet: true });
  atStop(app.stop);
  if (BUSY) {
    say(`loading ${availableParallelism()} cores three times over`);
    atStop(load());
  }
  checks.push(
    await passes(
      'browser tests',
      'node',
      ['node_modules/@playwright/test/cli.js', 'test', ...(WHOLE ? [] : SHORT_BROWSER)],
      {
        DATABASE_URL: db.url,
        BASE_URL: `http://localhost:${port}`,
        ...SHORT,
      },
    ),
  );

  const unit = read(UNIT);
  const browserRun = read(join(RESULTS, 'browser.json'));
  const browser = browserRun?.stats;
  const tests = testsOf(unit, browserRun).sort((a, b) => b.ms - a.ms);
  say('the ten slowest');
  for (const { name, ms } of tests.slice(0, 10))
    console.log(`  ${(ms / 1000).toFixed(1).padStart(6)} s  ${name.slice(0, 110)}`);
  // What failed stands at the end, where whoever reads the last lines alone finds it.
  const wrong = tests.filter((t) => t.failed);
  // A run of tests that failed is counted by its tests, where there are any that did.
  const steps = checks.filter(({ name, ok }) => !ok && !(name.endsWith(' tests') && wrong.length > 0));
  for (const { name } of steps) console.log(`· failed: ${name}`);
  for (const { name, why } of wrong)
    console.log(`· failed: ${name}\n${stripVTControlCharacters(why ?? '').slice(0, 600)}`);
  const passed = (unit?.numPassedTests ?? 0) + (browser?.expected ?? 0);
  const failed = wrong.length + steps.length;
  console.log(`${passed} passed, ${failed} failed`);
  return failed === 0 ? 0 : 1;
});
