// Measures, prints and writes docs/bench.md: npm run bench
import { execFileSync } from 'node:child_process';
import { cpus } from 'node:os';
import { existsSync, mkdirSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { chromium } from '@playwright/test';
import pg from 'pg';
import { CHROMIUM, debianPackages, FOR_PAGES } from './setup/packages.mjs';
import { build } from './setup/build.mjs';
import { freePort } from './setup/ports.mjs';
import { onPhone, PHONE } from './bench-phone.mjs';
import { presses } from './bench-press.mjs';
import { privateCluster } from './setup/postgres.mjs';
import { quantile } from './setup/quantile.mjs';
import { ended, inTypescript, program, ROOT, run, say, start } from './setup/run.mjs';
import { serve } from './setup/serve.mjs';

const TREES = 50_000;
const PROPERTIES = 100;
const REQUESTS = 120;
/** Sessions that ask for the same page at once. */
const CLIENTS = [1, 20];

/** Time to the first byte and to the last of one page, ms. */
async function once(url, cookie) {
  const begun = performance.now();
  const answer = await fetch(url, { headers: { cookie }, redirect: 'manual' });
  if (answer.status !== 200) throw new Error(`${url}: ${answer.status}`);
  const reader = answer.body.getReader();
  await reader.read();
  const first = performance.now() - begun;
  while (!(await reader.read()).done);
  return { first, total: performance.now() - begun };
}

/** Medians and 95th percentiles of a page that as many people ask for at once as there are sessions. */
async function page(url, sessions) {
  for (let i = 0; i < 20; i++) await once(url, sessions[0]);
  const taken = [];
  let left = REQUESTS;
  await Promise.all(
    sessions.map(async (cookie) => {
      while (left-- > 0) taken.push(await once(url, cookie));
    }),
  );
  const sorted = (key) => taken.map((t) => t[key]).sort((a, b) => a - b);
  const [first, total] = [sorted('first'), sorted('total')];
  return { first: quantile(first, 0.5), total: quantile(total, 0.5), slow: quantile(total, 0.95) };
}

/** How long a file takes: the first after the start, the median of five more, and the slowest request of another session meanwhile, ms. */
async function file(url, cookie, other, another) {
  const taken = [];
  let worst = 0;
  let on = true;
  const others = (async () => {
    while (on) {
      worst = Math.max(worst, (await once(other, another)).total);
      await new Promise((go) => setTimeout(go, 50));
    }
  })();
  for (let i = 0; i < 6; i++) taken.push((await once(url, cookie)).total);
  on = false;
  await others;
  const [first, ...warm] = taken;
  return {
    first,
    warm: quantile(
      warm.sort((a, b) => a - b),
      0.5,
    ),
    worst,
  };
}

/** Script bytes of a page in kB: as gzip, and in the smaller form that is sent to browsers of today. */
async function scripts(url, cookie) {
  const html = await (await fetch(url, { headers: { cookie } })).text();
  // Browsers of the last years skip the scripts marked noModule.
  const old = [...html.matchAll(/<script[^>]*src="([^"]+)"[^>]*noModule/gi)].map((m) => m[1]);
  const files = [...new Set([...html.matchAll(/\/_next\/static\/[^"'\\ ]+\.js/g)].map((m) => m[0]))].filter(
    (file) => !old.includes(file),
  );
  let [gzip, sent] = [0, 0];
  for (const file of files) {
    const answer = await fetch(new URL(file, url), { headers: { 'accept-encoding': 'br' } });
    if (!answer.ok) continue;
    const whole = gzipSync(Buffer.from(await answer.arrayBuffer())).length;
    gzip += whole;
    const small = answer.headers.get('content-encoding') === 'br';
    sent += small ? Number(answer.headers.get('content-length')) : whole;
  }
  return { gzip: gzip / 1000, sent: sent / 1000 };
}

/** An empty page of the same framework, built and served beside. */
async function emptyPage(atStop) {
  const folder = join(ROOT, '.undrel', 'empty');
  mkdirSync(join(folder, 'app'), { recursive: true });
  writeFileSync(join(folder, 'package.json'), '{"type":"module"}');
  writeFileSync(
    join(folder, 'next.config.mjs'),
    `export default { turbopack: { root: ${JSON.stringify(ROOT)} } };\n`,
  );
  writeFileSync(
    join(folder, 'app', 'layout.js'),
    'export default function L({ children }) { return <html lang="en"><body>{children}</body></html>; }\n',
  );
  writeFileSync(
    join(folder, 'app', 'page.js'),
    `export const dynamic = 'force-dynamic';\nexport default function P() { return <main>empty</main>; }\n`,
  );
  if (!existsSync(join(folder, 'node_modules')))
    symlinkSync(join(ROOT, 'node_modules'), join(folder, 'node_modules'));
  const next = join(ROOT, 'node_modules', 'next', 'dist', 'bin', 'next');
  const env = { ...process.env, NODE_ENV: 'production', NEXT_TELEMETRY_DISABLED: '1' };
  run('node', [next, 'build', folder], { env, stdio: 'ignore' });
  const port = await freePort(0);
  const child = start('node', [next, 'start', folder, '-p', String(port), '-H', '127.0.0.1'], {
    env,
    stdio: 'ignore',
  });
  const over = ended(child);
  atStop(async () => {
    child.kill('SIGTERM');
    await over;
  });
  const url = `http://127.0.0.1:${port}/`;
  for (let i = 0; i < 120; i++) {
    if ((await fetch(url).catch(() => undefined))?.ok) return url;
    await new Promise((r) => setTimeout(r, 250));
  }
  throw new Error('the empty page did not start');
}

/** Has all trees of the demo stand on one property; returns how many they are. */
async function allOnOne(url, property) {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  await client.query(`select set_config('undrel.firm', 'quillrow', false)`);
  await client.query(
    `update trees set property_id = $1 where firm_id = 'quillrow' and property_id not like 'bench-%'`,
    [property],
  );
  const { rows } = await client.query(
    `select count(*)::int as n from trees where firm_id = 'quillrow' and property_id = $1`,
    [property],
  );
  await client.end();
  return rows[0].n;
}

/** Fills the demo firm to the number of trees by SQL; only the bench does this. */
async function fill(url) {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  await client.query(`select set_config('undrel.firm', 'quillrow', false)`);
  for (const table of ['properties', 'trees', 'visits', 'findings'])
    await client.query(`alter table ${table} disable trigger audit`);
  await client.query(
    `insert into properties (firm_id, id, name) select 'quillrow', 'bench-' || p, 'Bench ' || p from generate_series(1, ${PROPERTIES}) p on conflict do nothing`,
  );
  await client.query(
    `insert into trees (firm_id, id, property_id, label, species, planted_year, stem_diameter, x, y)
     select 'quillrow', 'bench-' || t, 'bench-' || (1 + t % ${PROPERTIES}), 'Tree ' || t, 'Tilia cordata', 2012, 0.2, t % 700, t / 700
     from generate_series(1, ${TREES}) t on conflict do nothing`,
  );
  await client.query(
    `insert into visits (firm_id, id, tree_id, visited_on) select 'quillrow', 'bench-v' || t, 'bench-' || t, '2026-05-01' from generate_series(1, ${TREES}, 5) t on conflict do nothing`,
  );
  await client.query(
    `insert into findings (firm_id, id, visit_id, key, answer) select 'quillrow', 'bench-f' || t, 'bench-v' || t, 'base.push', 'none' from generate_series(1, ${TREES}, 5) t on conflict do nothing`,
  );
  for (const table of ['properties', 'trees', 'visits', 'findings'])
    await client.query(`alter table ${table} enable trigger audit`);
  await client.query('analyze');
  const { rows } = await client.query('select count(*)::int as n from trees');
  await client.end();
  return rows[0].n;
}

/** Sessions of the demo's consultant, as cookies. */
async function demoSessions(url, count) {
  const code = `
    import { signIn } from './web/server/accounts/signIn';
    import { closePool } from './web/server/database/transaction';
    for (let i = 0; i < ${count}; i++) {
      const s = await signIn('consultant@quillrow.example', 'kelpworth-linden', { address: 'bench', agent: 'bench' });
      console.log(s.ok ? s.token : s.reason);
    }
    await closePool();`;
  const file = join(ROOT, '.undrel', 'bench-session.ts');
  writeFileSync(file, code.replaceAll("'./web", "'../web"));
  const out = execFileSync('node', inTypescript(file), {
    cwd: ROOT,
    env: { ...process.env, DATABASE_URL: url },
    encoding: 'utf8',
  });
  rmSync(file);
  return out
    .trim()
    .split('\n')
    .map((token) => `undrel_session=${token}`);
}

/** Frames a second while a point is dragged on a plan of 13 and of 200 roots, and while a forecast runs. */
async function dragging(base, cookie, geojson) {
  const browser = await chromium.launch({
    executablePath: CHROMIUM,
    args: ['--no-sandbox', '--disable-gpu'],
  });
  const context = await browser.newContext({ baseURL: base, viewport: { width: 1280, height: 800 } });
  const [name, ...value] = cookie.split('=');
  await context.addCookies([{ name, value: value.join('='), url: base }]);
  const page = await context.newPage();
  const count = (work) => async () => {
    await page.evaluate(() => {
      globalThis.undrelFrames = 0;
      const next = () => {
        globalThis.undrelFrames++;
        globalThis.undrelCounting = globalThis.requestAnimationFrame(next);
      };
      next();
    });
    const begun = performance.now();
    await work();
    const frames = await page.evaluate(() => {
      globalThis.cancelAnimationFrame(globalThis.undrelCounting);
      return globalThis.undrelFrames;
    });
    return (1000 * frames) / (performance.now() - begun);
  };
  const drag = async () => {
    const handle = page.getByRole('button', { name: /^Point 3 of root/ });
    const box = await handle.boundingBox();
    const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
    await page.mouse.move(x, y);
    await page.mouse.down();
    for (let i = 1; i <= 90; i++) await page.mouse.move(x + 40 * Math.sin(i / 9), y + 30 * Math.sin(i / 7));
    await page.mouse.up();
  };
  const figures = [];
  await page.goto('/trees/sable-katsura-14?station=dig');
  await page.getByRole('button', { name: 'Root A', exact: true }).click();
  figures.push(['dragging a point, 13 roots', await count(drag)()]);
  await page.goto('/trees/lanternfield-6?station=dig');
  await page.getByRole('button', { name: 'Begin a visit today' }).click();
  await page.getByRole('button', { name: /^Dig/ }).click();
  const running = page.getByRole('progressbar', { name: 'Forecast being made' });
  // The first feature is the outline of the stem.
  for (const [from, to, roots] of [
    [0, 41, 40],
    [41, 201, 200],
  ]) {
    const { features, ...rest } = JSON.parse(geojson);
    const some = JSON.stringify({ ...rest, features: features.slice(from, to) });
    await page
      .getByLabel('Roots to import: GeoJSON or CSV')
      .setInputFiles({ name: 'many.geojson', mimeType: 'application/json', buffer: Buffer.from(some) });
    await page.getByText(/ roots imported\./).waitFor();
    await running.waitFor();
    const made = count(() => running.waitFor({ state: 'hidden', timeout: 300_000 }));
    figures.push([`while the forecast of ${roots} roots runs`, await made()]);
    if (roots === 40)
      figures.push(['the same page when it has run', await count(() => page.waitForTimeout(1500))()]);
  }
  await page.getByRole('button', { name: 'Root 7', exact: true }).click();
  figures.push(['dragging a point, 200 roots', await count(drag)()]);
  await browser.close();
  return figures;
}

const ms = (value) => value.toFixed(1);

/** Time of the processors since they were started, in ticks: all of it, and what the host gave to others meanwhile (Linux, proc(5)). */
function ticks() {
  const fields = readFileSync('/proc/stat', 'utf8')
    .split('\n')[0]
    .trim()
    .split(/\s+/)
    .slice(1, 9)
    .map(Number);
  return { all: fields.reduce((sum, n) => sum + n, 0), idle: fields[3] + fields[4], taken: fields[7] };
}

/** Which share of the time in which there was work went to others, %. */
function takenSince(before) {
  const now = ticks();
  const busy = now.all - before.all - (now.idle - before.idle);
  return (100 * (now.taken - before.taken)) / Math.max(1, busy);
}

/** How long a sum that is always the same takes, ms, the median of nine: by it two runs can be set beside each other. */
function sumOfRoots() {
  const taken = Array.from({ length: 9 }, () => {
    const begun = performance.now();
    for (let i = 0, sum = 0; i < 2e7; i++) sum += Math.sqrt(i);
    return performance.now() - begun;
  });
  return quantile(
    taken.sort((a, b) => a - b),
    0.5,
  );
}

await program(async (atStop) => {
  debianPackages(FOR_PAGES);
  const [before, atFirst] = [ticks(), sumOfRoots()];
  const db = await privateCluster('bench-cluster');
  atStop(db.stop);
  await build('.next-test');
  run('node', inTypescript('scripts/demo-data.ts', '--reset'), {
    env: { ...process.env, DATABASE_URL: db.url },
    stdio: 'ignore',
  });
  say('filling the database');
  const trees = await fill(db.url);
  const core = JSON.parse(
    execFileSync('node', inTypescript('scripts/bench-core.ts'), { cwd: ROOT, encoding: 'utf8' }),
  );
  const pictures = JSON.parse(
    execFileSync('node', inTypescript('scripts/bench-pictures.ts'), {
      cwd: ROOT,
      encoding: 'utf8',
    }),
  );
  // Bundled, as a browser's worker runs it.
  const digBench = join(ROOT, '.undrel', 'bench-dig.mjs');
  run('npx', [
    '--no-install',
    'esbuild',
    'scripts/bench-dig.ts',
    '--bundle',
    '--platform=node',
    '--format=esm',
    '--external:highs',
    `--outfile=${digBench}`,
    '--log-level=error',
  ]);
  core.push(...JSON.parse(execFileSync('node', [digBench], { encoding: 'utf8' })));
  const sessions = await demoSessions(db.url, Math.max(...CLIENTS));
  const [cookie, another] = sessions;
  const port = await freePort(0);
  const app = await serve({ url: db.url, port, dist: '.next-test', env: { UNDREL_DEMO: '1' }, quiet: true });
  atStop(app.stop);
  const base = `http://127.0.0.1:${port}`;
  const empty = await emptyPage(atStop);

  const pages = [
    ['empty page', empty],
    ['tree', `${base}/trees/sable-katsura-14?station=mulch`],
    ['property, 28 trees', `${base}/grounds/kelpworth`],
    [`property, ${TREES / PROPERTIES} trees`, `${base}/grounds/bench-1`],
    ['grounds', `${base}/grounds`],
    ['report preview', `${base}/trees/sable-katsura-14/report`],
    ['dig of 13 roots', `${base}/trees/sable-katsura-14?station=dig`],
  ];
  const rows = [];
  for (const [name, url] of pages) {
    for (const clients of CLIENTS) {
      say(`${name}, ${clients} client(s)`);
      rows.push([name, clients, await page(url, sessions.slice(0, clients))]);
    }
  }
  const other = `${base}/api/trees/kelpworth-3/case`;
  // Asked for before, so that it is the document that is waited for and not the first call of another route.
  for (let i = 0; i < 20; i++) await once(other, another);
  const files = [];
  for (const [name, path] of [
    ['report of a tree, PDF', '/api/trees/sable-katsura-14/report?format=pdf'],
    ['report of a tree, DOCX', '/api/trees/sable-katsura-14/report?format=docx'],
    ['report of a property, 28 trees, PDF', '/api/properties/kelpworth/report?format=pdf'],
    ['cut plan of the hardest dig, solved on the server', '/api/trees/sable-hornbeam-3/cuts'],
  ]) {
    say(name);
    files.push([name, await file(`${base}${path}`, cookie, other, another)]);
  }
  const emptyTotal = (clients) => rows.find(([name, c]) => name === 'empty page' && c === clients)[2].total;
  const routes = [
    '/sign-in',
    '/grounds',
    '/grounds/kelpworth',
    '/trees/sable-katsura-14',
    '/trees/sable-katsura-14?station=dig',
    '/trees/sable-katsura-14/report',
    '/practice',
    '/account',
  ];
  const sizes = [['an empty page of the same framework', await scripts(empty, cookie)]];
  for (const route of routes) sizes.push([`\`${route}\``, await scripts(base + route, cookie)]);

  say('frames of a drag');
  const frames = await dragging(
    base,
    cookie,
    execFileSync('node', [digBench, '--geojson', '200'], { encoding: 'utf8' }),
  );

  say('a phone with little signal');
  const phone = await onPhone(base);
  say('presses on a slow phone');
  const pressing = await presses(base);

  // Last of all: nothing else is where it was after this.
  const together = await allOnOne(db.url, 'kelpworth');
  say('report of a property with all trees of the demo');
  await once(`${base}/grounds/kelpworth`, cookie);
  files.push([
    `report of a property, ${together} trees, PDF`,
    await file(`${base}/api/properties/kelpworth/report?format=pdf`, cookie, other, another),
  ]);

  const text = `# Bench

Written by \`npm run bench\` on ${new Date().toISOString().slice(0, 10)}: Node ${process.version}, ${cpus().length} cores (${cpus()[0].model.trim()}), client and
server on the same machine, ${trees.toLocaleString('en')} trees in the database. The host gave ${takenSince(before).toFixed(0)} % of the time in which there was
work to others; twenty million square roots took ${atFirst.toFixed(0)} ms at first and ${sumOfRoots().toFixed(0)} ms at the end.

## Core

| what | median, ms | 95 %, ms |
|---|---|---|
${core.map((r) => `| ${r.name} | ${r.median.toFixed(3)} | ${r.p95.toFixed(3)} |`).join('\n')}

## Photographs

| what | median, ms | slowest of nine, ms |
|---|---|---|
${pictures.rows.map((r) => `| ${r.name} | ${r.median.toFixed(1)} | ${r.p95.toFixed(1)} |`).join('\n')}

All four cards were found in ${pictures.found.whole} of ${pictures.found.pictures} made-up pictures, tilted by up to 40°, blurred, noisy and half in shade.

## Pages

Medians of ${REQUESTS} requests, ms; each client is a session of its own. The last column is the median total against the empty page of the same framework on the same run.

| page | clients | first byte | total | total, 95 % | times the empty page |
|---|---|---|---|---|---|
${rows.map(([name, clients, t]) => `| ${name} | ${clients} | ${ms(t.first)} | ${ms(t.total)} | ${ms(t.slow)} | ${(t.total / emptyTotal(clients)).toFixed(1)} |`).join('\n')}

## Files

While each is made another client reads a tree again and again; the last column is the slowest of its answers, ms. What the
report of the tree says was worked out for its preview above, and the page of a property was open before its report; the
first time a document is set, after that it is kept.

| what | first time | median, again | slowest other request |
|---|---|---|---|
${files.map(([name, t]) => `| ${name} | ${ms(t.first)} | ${ms(t.warm)} | ${ms(t.worst)} |`).join('\n')}

## The plan of a dig in Chromium

| what | frames a second |
|---|---|
${frames.map(([what, fps]) => `| ${what} | ${fps.toFixed(0)} |`).join('\n')}

## A phone with little signal

Chromium at a ${PHONE.cpu}th of the processor, ${PHONE.kilobits} kbit/s and ${PHONE.latency} ms.

| what | ms |
|---|---|
${phone.map(([what, taken]) => `| ${what} | ${taken.toFixed(0)} |`).join('\n')}

## A press on a slow phone

Chromium at a ${PHONE.cpu}th of the processor: what each screen has to press, two of each look, from the press to the next picture, ms.

| screen | pressed | median | 95 % | slowest | which |
|---|---|---|---|---|---|
${pressing.map((r) => `| \`${r.screen}\` | ${r.presses} | ${r.median.toFixed(0)} | ${r.p95.toFixed(0)} | ${r.slowest.took.toFixed(0)} | ${r.slowest.name.replaceAll('|', '/')} |`).join('\n')}

## JavaScript of a page, kB

| route | gzip | as sent (brotli) |
|---|---|---|
${sizes.map(([route, { gzip, sent }]) => `| ${route} | ${gzip.toFixed(0)} | ${sent.toFixed(0)} |`).join('\n')}
`;
  writeFileSync(join(ROOT, 'docs', 'bench.md'), text);
  console.log(readFileSync(join(ROOT, 'docs', 'bench.md'), 'utf8'));
});
